import { sql } from "drizzle-orm";
import { sideStays } from "@/core/room";
import type { Db } from "../../db/client";
import { rowsOfSideRooms } from "../../db/queries/floor-rows";
import { csvText, type Cell } from "../ground/delimited";
import { folkOf } from "./folk";
import { isoMs } from "./moments";

/** Who was in which side room and when: `room` and `email` are what a file of rooms is read by. */
export async function sideRoomsFile(db: Db, occurrenceId: string): Promise<string> {
  const stays = sideStays(await rowsOfSideRooms(db, occurrenceId));
  const known = await folkOf(
    db,
    stays.map((one) => one.ticketId),
  );
  const { rows } = await db.execute(sql`select names from side_room_sheets where occurrence_id = ${occurrenceId}`);
  const names = (rows[0]?.["names"] ?? []) as string[];
  const lines = stays.map(({ ticketId, room, from, until }): Cell[] => [
    names[room - 1] || String(room),
    known.get(ticketId)?.name ?? "",
    known.get(ticketId)?.email ?? "",
    isoMs(from),
    isoMs(until),
  ]);
  return csvText(["room", "name", "email", "in", "out"], lines);
}
