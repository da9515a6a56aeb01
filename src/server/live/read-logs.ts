import type { Db } from "../db/client";
import { logReader } from "../room";
import type { LiveRoom } from "./live-room";

const mostLinesAtOnce = 500;

/** Reads what other processes wrote of the log feeds that are behind. */
export async function readLogs(db: Db, room: LiveRoom): Promise<void> {
  for (const log of room.logs.values()) {
    for (let more = log.isBehind; more;) {
      const rows = await logReader(log.topic).after(db, room.roomId, log.topic, log.head, mostLinesAtOnce);
      log.catchUp(rows);
      more = rows.length === mostLinesAtOnce;
    }
  }
}
