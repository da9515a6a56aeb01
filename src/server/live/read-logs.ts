import type { Db } from "../db/client";
import { logHeads } from "../db/queries/journal";
import { logReader } from "../room";
import type { LiveRoom } from "./live-room";

const mostLinesAtOnce = 500;

/** Reads what other processes wrote of the log feeds that are behind: their heads first, then those that moved alone. */
export async function readLogs(db: Db, room: LiveRoom): Promise<void> {
  const behind = [...room.logs.values()].filter((log) => log.isBehind);
  if (behind.length === 0) return;
  const heads = await logHeads(db, room.roomId);
  for (const log of behind) {
    let more = (heads.get(log.topic) ?? 0) > log.head;
    if (!more) log.catchUp([]);
    while (more) {
      const rows = await logReader(log.topic).after(db, room.roomId, log.topic, log.head, mostLinesAtOnce);
      log.catchUp(rows);
      more = rows.length === mostLinesAtOnce;
    }
  }
}
