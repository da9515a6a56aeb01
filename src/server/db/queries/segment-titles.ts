import type { Db } from "../client";
import { segments } from "../schema";
import { anyOf } from "./any-of";

/** Titles of the segments of these dates, by id. */
export async function segmentTitles(db: Db, occurrenceIds: readonly string[]): Promise<ReadonlyMap<string, string>> {
  const rows = await db
    .select({ id: segments.id, title: segments.title })
    .from(segments)
    .where(anyOf(segments.occurrenceId, occurrenceIds));
  return new Map(rows.map((row) => [row.id, row.title]));
}
