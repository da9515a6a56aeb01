import { floorRecord } from "@/core/room";
import type { Db } from "../../db/client";
import { rowsOfFloor } from "../../db/queries/floor-rows";
import { csvText, type Cell } from "../ground/delimited";
import { folkOf } from "./folk";
import { iso } from "./moments";

/** Every time that somebody of the audience had the floor, or was offered it (rule 19). */
export async function floorFile(db: Db, occurrenceId: string): Promise<string> {
  const turns = floorRecord(await rowsOfFloor(db, occurrenceId));
  const known = await folkOf(
    db,
    turns.map((turn) => turn.ticketId),
  );
  const rows = turns.map((turn): Cell[] => [
    known.get(turn.ticketId)?.name ?? "",
    known.get(turn.ticketId)?.email ?? "",
    iso(turn.offeredAt),
    iso(turn.acceptedAt),
    iso(turn.endedAt),
    Math.round(turn.openMs / 10) / 100,
  ]);
  return csvText(["name", "email", "offered_at", "accepted_at", "ended_at", "seconds_open"], rows);
}
