import type { Db } from "../db/client";
import { journalHeads } from "../db/queries/journal";
import type { LiveRoom } from "./live-room";

/** The rooms whose journal is further than this process has heard: a notification was lost. */
export async function roomsBehind(db: Db, rooms: Iterable<LiveRoom>): Promise<readonly LiveRoom[]> {
  const all = [...rooms];
  const heads = await journalHeads(
    db,
    all.map((room) => room.occurrenceId),
  );
  return all.filter((room) => (heads.get(room.occurrenceId) ?? 0) > room.state.seq);
}

/** After an outage: what was told meanwhile was not heard. */
export function mayHaveMissed(room: LiveRoom): void {
  room.figuresReadAt = 0;
  for (const log of room.logs.values()) log.isBehind = true;
}
