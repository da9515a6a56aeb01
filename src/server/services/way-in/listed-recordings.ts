import { and, eq, gt, isNull, lte, or, type SQL } from "drizzle-orm";
import { recordings } from "../../db/schema";

/** Of recordings those that everyone can watch now: what lists and feeds show. */
export const isListed = (now: number): SQL | undefined =>
  and(
    eq(recordings.audience, "everyone"),
    isNull(recordings.deletedAt),
    lte(recordings.publishedFrom, now),
    or(isNull(recordings.publishedUntil), gt(recordings.publishedUntil, now)),
  );
