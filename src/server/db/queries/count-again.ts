import { eq } from "drizzle-orm";
import type { Db } from "../client";
import { occurrences } from "../schema";

/** What counts of a date is another than before: the job counts its figures anew. */
export const countAgain = (db: Db, occurrenceId: string) =>
  db
    .update(occurrences)
    .set({ registeredCount: null, cameCount: null, peakCount: null })
    .where(eq(occurrences.id, occurrenceId));
