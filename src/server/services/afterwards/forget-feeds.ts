import { and, eq, inArray, lt, notExists, sql } from "drizzle-orm";
import { over } from "@/core/people";
import { occurrences, programmeFeeds, recordedPieces, recordings, rooms } from "../../db/schema";
import { initFile, pieceFile } from "../../programme/piece-files";
import type { Context } from "../ground/context";

/** The last pieces of a feed lie on the storage for the other processes; so long after its end nobody asks for them. */
const forgottenAfterMs = 3_600_000;
/** so many of them were never taken away while the feed ran, with some to spare */
const leftAtEnd = 60;
const together = 20;

/** Takes away what feeds of dates that are over left behind, once nothing of them waits to be joined. */
export async function forgetFeeds(context: Context): Promise<number> {
  const { db, storage, clock } = context;
  const waits = db
    .select({ one: sql`1` })
    .from(recordings)
    .where(
      and(eq(recordings.occurrenceId, occurrences.id), inArray(recordings.state, ["waiting", "joining", "failed"])),
    );
  const left = await db
    .select({
      roomId: programmeFeeds.roomId,
      feed: programmeFeeds.feed,
      lastPiece: programmeFeeds.lastPiece,
      lastInit: programmeFeeds.lastInit,
    })
    .from(programmeFeeds)
    .innerJoin(rooms, eq(rooms.id, programmeFeeds.roomId))
    .innerJoin(occurrences, eq(occurrences.id, rooms.occurrenceId))
    .where(
      and(
        inArray(occurrences.phase, [...over]),
        lt(programmeFeeds.renewedAt, clock.now() - forgottenAfterMs),
        notExists(waits),
      ),
    )
    .limit(together);
  for (const { roomId, feed, lastPiece, lastInit } of left) {
    for (let n = Math.max(1, lastPiece - leftAtEnd); n <= lastPiece; n += 1)
      await storage.remove(pieceFile(roomId, feed, n));
    for (let n = 1; n <= lastInit; n += 1) await storage.remove(initFile(roomId, feed, n));
    const ofFeed = and(eq(recordedPieces.roomId, roomId), eq(recordedPieces.feed, feed));
    await db.delete(recordedPieces).where(ofFeed);
    await db.delete(programmeFeeds).where(and(eq(programmeFeeds.roomId, roomId), eq(programmeFeeds.feed, feed)));
  }
  return left.length;
}
