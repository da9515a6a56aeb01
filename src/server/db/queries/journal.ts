import { and, asc, eq, gt, inArray } from "drizzle-orm";
import type { JournalEntry } from "@/core/room";
import type { Db } from "../client";
import { journal, rooms } from "../schema";

/** The journal's rows after `seq`, in order. */
export async function journalAfter(db: Db, occurrenceId: string, seq: number): Promise<JournalEntry[]> {
  const rows = await db
    .select({ seq: journal.seq, at: journal.at, actorId: journal.actorId, body: journal.body })
    .from(journal)
    .where(and(eq(journal.occurrenceId, occurrenceId), gt(journal.seq, seq)))
    .orderBy(asc(journal.seq));
  return rows;
}

/** How far each room's journal has come: for the tail that polls where a notification was lost. */
export async function journalHeads(db: Db, occurrenceIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (occurrenceIds.length === 0) return new Map();
  const rows = await db
    .select()
    .from(rooms)
    .where(inArray(rooms.occurrenceId, [...occurrenceIds]));
  return new Map(rows.map((row) => [row.occurrenceId, row.seq]));
}
