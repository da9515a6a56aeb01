import { desc, eq, max } from "drizzle-orm";
import { recordedMs, type Span } from "@/core/programme";
import type { Db } from "../../../db/client";
import { events, occurrences, recordedPieces, recordings, rooms } from "../../../db/schema";
import type { Context } from "../context";

/** Name of a recording in the storage. */
export const recordingFile = (id: string): string => `${id}.media`;

/** What the room recorded since the last time becomes a recording that waits to be joined; nothing where no piece came. */
export async function layRecording(context: Context, tx: Db, roomId: string, spans: readonly Span[]): Promise<void> {
  const [room] = await tx
    .select({
      occurrenceId: rooms.occurrenceId,
      organisationId: rooms.organisationId,
      slug: events.slug,
      title: events.title,
    })
    .from(rooms)
    .innerJoin(occurrences, eq(occurrences.id, rooms.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(rooms.id, roomId));
  const [last] = await tx
    .select({ number: max(recordedPieces.number) })
    .from(recordedPieces)
    .where(eq(recordedPieces.roomId, roomId));
  if (!room || !last?.number) return;
  const [before] = await tx
    .select({ toPiece: recordings.toPiece, spans: recordings.spans })
    .from(recordings)
    .where(eq(recordings.occurrenceId, room.occurrenceId))
    .orderBy(desc(recordings.toPiece))
    .limit(1);
  const fromPiece = (before?.toPiece ?? 0) + 1;
  if (fromPiece > last.number) return;
  // spans of an earlier recording of the same date are that one's
  const earlier = (before?.spans ?? []).at(-1)?.to ?? 0;
  const own = spans.filter(({ from }) => from >= earlier);
  const id = context.ids.id();
  await tx.insert(recordings).values({
    id,
    organisationId: room.organisationId,
    occurrenceId: room.occurrenceId,
    slug: `${room.slug}-${context.ids.code(5)}`,
    title: room.title,
    fileName: recordingFile(id),
    mediaType: "video/mp4",
    sizeBytes: 0,
    durationSeconds: Math.round(recordedMs(own) / 1000),
    state: "waiting",
    spans: own,
    fromPiece,
    toPiece: last.number,
    uploadedAt: context.clock.now(),
  });
  await context.queue.enqueue("join-recordings", tx);
}
