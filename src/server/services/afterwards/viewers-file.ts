import { eq } from "drizzle-orm";
import type { Db } from "../../db/client";
import { recordings } from "../../db/schema";
import { csvText } from "../ground/delimited";
import { iso } from "./moments";
import { servedSeconds } from "./own-recording";
import { viewersOf } from "./watching";

const header = ["name", "email", "watched_seconds", "coverage_percent", "is_complete", "first_at", "last_at", "views"];

/** How long each recording of a date is, in seconds; one of unknown length is left out of shares. */
export async function durationsOf(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db.select().from(recordings).where(eq(recordings.occurrenceId, occurrenceId)).limit(50);
  return new Map(rows.map((one) => [one.id, servedSeconds(one) ?? 0]));
}

/** Who watched a date's recordings (rule 14): a line a viewer and recording; browsers without a ticket have no name. */
export async function viewersFile(db: Db, occurrenceId: string): Promise<string> {
  const lines = await viewersOf(db, occurrenceId, await durationsOf(db, occurrenceId));
  return csvText(
    header,
    lines.map((one) => [
      one.name,
      one.email,
      Math.round(one.seconds),
      Math.round(one.coverage * 10_000) / 100,
      one.isComplete ? "yes" : "no",
      iso(one.firstAt),
      iso(one.lastAt),
      one.views,
    ]),
  );
}
