import { signLostAfterMs } from "@/contracts";
import { overflowGoneAfterMs } from "@/core/programme";
import type { Db } from "../db/client";
import { loadFigures, recentSignals } from "../room";
import type { LiveRoom } from "./live-room";

/** Reads a room's merged figures from the tables: what other processes took is in them too. */
export async function countAnew(db: Db, room: LiveRoom, now: number): Promise<void> {
  room.figuresReadAt = now;
  const [figures, given] = await Promise.all([
    loadFigures(db, room.occurrenceId, now - signLostAfterMs, now - overflowGoneAfterMs),
    recentSignals(db, room.roomId, now),
  ]);
  room.signals.replace(given);
  room.figures = { ...figures, signals: room.signals.at(now), feeds: room.figures.feeds, space: room.figures.space };
}
