import { and, eq, gt, isNotNull, isNull, type SQL } from "drizzle-orm";
import { events, occurrences } from "../schema";

/** What everybody may find of an organisation: published events, neither private nor unplanned nor in the bin. */
export const isPublicEvent = (organisationId: string): SQL | undefined =>
  and(
    eq(events.organisationId, organisationId),
    isNotNull(events.publishedAt),
    isNull(events.deletedAt),
    eq(events.isPrivate, false),
    eq(events.isUnplanned, false),
  );

/** Their dates that are not over, in a query over dates and events. */
export const isPublicDateAhead = (organisationId: string, now: number): SQL | undefined =>
  and(
    eq(occurrences.organisationId, organisationId),
    isPublicEvent(organisationId),
    eq(occurrences.kind, "show"),
    gt(occurrences.endAt, now),
  );
