import { sql } from "drizzle-orm";
import type { JournalEntry } from "@/core/room";
import type { Db } from "../client";

/** The rows of a date's journal that say who raised a hand and who had the floor, in order. */
export const rowsOfFloor = (db: Db, occurrenceId: string) => rowsOf(db, occurrenceId, "floor.%");
/** Who was put into which side room, when they opened and closed. */
export const rowsOfSideRooms = (db: Db, occurrenceId: string) => rowsOf(db, occurrenceId, "sideRooms.%");

/** One capability's rows and those that end what it tells. @param like its types, as SQL's LIKE has them */
async function rowsOf(db: Db, occurrenceId: string, like: string): Promise<readonly JournalEntry[]> {
  const { rows } = await db.execute(sql`
    select j.seq, j.at, j.actor_id, j.body from journal j
      join rooms r on r.id = j.room_id and r.occurrence_id = ${occurrenceId} and r.parent_id is null
    where j.body ->> 'type' like ${like} or j.body ->> 'type' in ('hour.ended', 'hour.shown-out') order by j.seq`);
  return rows.map((row) => ({
    seq: Number(row["seq"]),
    at: new Date(row["at"] as string).getTime(),
    actorId: String(row["actor_id"]),
    body: row["body"] as JournalEntry["body"],
  }));
}
