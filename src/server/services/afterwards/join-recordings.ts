import { and, asc, between, eq, inArray, isNull } from "drizzle-orm";
import { programmeFeed, recordingMsAt } from "@/core/programme";
import { Refusal } from "@/core/shared";
import { recordedPieces, recordings, rooms } from "../../db/schema";
import { initFile, pieceFile } from "../../programme/piece-files";
import type { PieceRun } from "../../workers/media-words";
import type { Context } from "../ground/context";
import type { TeamMember } from "../ground/access";
import { nextToTake } from "../ground/next-to-take";
import { makeFile } from "./make-media";
import { ownRecording } from "./own-recording";
import { tellOfJoined } from "./tell-of-recording";

type Recording = typeof recordings.$inferSelect;
type PieceRow = Pick<typeof recordedPieces.$inferSelect, "number" | "initNumber" | "roomId" | "at" | "durationMs">;
/** Whoever joins and says nothing for so long is gone: it is taken over. */
const silentAfterMs = 120_000;
/** files that are taken away at once */
const removedTogether = 200;

const work = {
  table: recordings,
  ...{ id: recordings.id, claimedAt: recordings.claimedAt, order: recordings.uploadedAt },
  ...{ isWaiting: eq(recordings.state, "waiting"), isUnderWay: eq(recordings.state, "joining") },
};

async function claim(context: Context): Promise<Recording | null> {
  const now = context.clock.now();
  const [taken] = await context.db
    .update(recordings)
    .set({ state: "joining", claimedAt: now })
    .where(eq(recordings.id, nextToTake(work, now - silentAfterMs)))
    .returning();
  return taken ?? null;
}

/** Pieces that follow one another without a gap, read by the same segment. */
export function runsOf<P extends Pick<PieceRow, "number" | "initNumber">>(
  pieces: readonly P[],
): readonly (readonly P[])[] {
  const runs: P[][] = [];
  for (const piece of pieces) {
    const last = runs.at(-1)?.at(-1);
    if (last && last.initNumber === piece.initNumber && last.number + 1 === piece.number) runs.at(-1)!.push(piece);
    else runs.push([piece]);
  }
  return runs;
}

async function piecesOf(context: Context, { occurrenceId, fromPiece, toPiece }: Recording): Promise<PieceRow[]> {
  return context.db
    .select({
      number: recordedPieces.number,
      initNumber: recordedPieces.initNumber,
      roomId: recordedPieces.roomId,
      at: recordedPieces.at,
      durationMs: recordedPieces.durationMs,
    })
    .from(recordedPieces)
    .innerJoin(rooms, eq(rooms.id, recordedPieces.roomId))
    .where(
      and(
        eq(rooms.occurrenceId, occurrenceId),
        isNull(rooms.parentId),
        eq(recordedPieces.feed, programmeFeed),
        between(recordedPieces.number, fromPiece ?? 0, toPiece ?? 0),
      ),
    )
    .orderBy(asc(recordedPieces.number));
}

/** What the media thread is told of a run: each of its files where it lies on this machine. */
const pieceRun = (run: readonly PieceRow[], { spans }: Recording, pathOf: (name: string) => string): PieceRun => ({
  initPath: pathOf(initOf(run[0]!)),
  piecePaths: run.map((piece) => pathOf(fileOf(piece))),
  seconds: run.reduce((sum, { durationMs }) => sum + durationMs, 0) / 1000,
  fromSeconds: recordingMsAt(spans ?? [], run[0]!.at - run[0]!.durationMs) / 1000,
});
const initOf = ({ roomId, initNumber }: PieceRow): string => initFile(roomId, programmeFeed, initNumber);
const fileOf = ({ roomId, number }: PieceRow): string => pieceFile(roomId, programmeFeed, number);

async function join(context: Context, recording: Recording): Promise<void> {
  const pieces = await piecesOf(context, recording);
  const names = [...new Set(pieces.flatMap((piece) => [initOf(piece), fileOf(piece)]))];
  const own = eq(recordings.id, recording.id);
  const { durationSeconds } = await makeFile(
    context,
    names,
    recording.fileName,
    (paths, outPath) => {
      const at = new Map(names.map((name, i) => [name, paths[i]!]));
      const runs = runsOf(pieces).map((run) => pieceRun(run, recording, (name) => at.get(name)!));
      return { kind: "join", runs, outPath };
    },
    () => context.db.update(recordings).set({ claimedAt: context.clock.now() }).where(own),
  );
  const sizeBytes = await context.storage.size(recording.fileName);
  await context.db.transaction(async (tx) => {
    await tx
      .update(recordings)
      .set({ state: "ready", sizeBytes, durationSeconds: Math.round(durationSeconds) })
      .where(own);
    await tellOfJoined(context, tx, recording, { isReady: true, lastsMs: durationSeconds * 1000 });
  });
  await forgetPieces(context, pieces);
}

/** What a recording that was never joined was to be made of. */
export const forgetPiecesOf = async (context: Context, recording: Recording): Promise<void> =>
  forgetPieces(context, await piecesOf(context, recording));

/** Another try at one that could not be joined: what was posted is kept until then. */
export async function joinAgain(context: Context, member: TeamMember, recordingId: string): Promise<void> {
  const { recording } = await ownRecording(context, member, recordingId);
  await context.db.transaction(async (tx) => {
    const waiting = await tx
      .update(recordings)
      .set({ state: "waiting", claimedAt: null })
      .where(and(eq(recordings.id, recording.id), eq(recordings.state, "failed")))
      .returning({ id: recordings.id });
    if (waiting.length === 0)
      throw new Refusal({ code: "wrong-state", action: "recording.upload", state: recording.state });
    await context.queue.enqueue("join-recordings", tx);
  });
}

/** The pieces are in the file now. */
async function forgetPieces(context: Context, pieces: readonly PieceRow[]): Promise<void> {
  for (let i = 0; i < pieces.length; i += removedTogether) {
    const some = pieces.slice(i, i + removedTogether);
    await Promise.all(some.map((piece) => context.storage.remove(fileOf(piece))));
  }
  const [roomId] = pieces.map((one) => one.roomId);
  const numbers = pieces.map(({ number }) => number);
  // the last one stays: the next recording of the date begins behind it
  if (roomId)
    await context.db
      .delete(recordedPieces)
      .where(
        and(
          eq(recordedPieces.roomId, roomId),
          eq(recordedPieces.feed, programmeFeed),
          inArray(recordedPieces.number, numbers.slice(0, -1)),
        ),
      );
}

/** Makes one file of every recording that waits (rule 25), one after another. */
export async function joinRecordings(context: Context): Promise<number> {
  let joined = 0;
  for (let one = await claim(context); one; one = await claim(context)) {
    try {
      await join(context, one);
      joined += 1;
    } catch (error) {
      context.log.error("a recording could not be joined", error, { recordingId: one.id });
      // what was posted stays: it can be tried again
      await context.db.transaction(async (tx) => {
        await tx.update(recordings).set({ state: "failed" }).where(eq(recordings.id, one.id));
        await tellOfJoined(context, tx, one, { isReady: false, lastsMs: 0 });
      });
    }
  }
  return joined;
}
