import { and, eq, isNotNull, isNull, type SQL } from "drizzle-orm";
import { events } from "../schema";

/** What everybody may find of an organisation: published events, neither private nor in the bin. */
export const isPublicEvent = (organisationId: string): SQL | undefined =>
  and(
    eq(events.organisationId, organisationId),
    isNotNull(events.publishedAt),
    isNull(events.deletedAt),
    eq(events.isPrivate, false),
  );
