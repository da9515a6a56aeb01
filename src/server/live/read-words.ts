import type { Db } from "../db/client";
import { freshened, type WordsWanted } from "../room";
import type { LiveRoom } from "./live-room";

/** Reads names and texts of a room again, and lays them over those of the moment: two may read at once. */
export async function readWords(db: Db, room: LiveRoom, wanted: readonly WordsWanted[]): Promise<void> {
  if (wanted.length === 0) return;
  const lay = await freshened(db, room, room.words, wanted);
  room.words = lay(room.words);
}
