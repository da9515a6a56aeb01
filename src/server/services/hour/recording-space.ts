import { and, eq, isNull, sql } from "drizzle-orm";
import { programmeFeed } from "@/core/programme";
import { recordableMs, toldRecordableMs, type KeptSpace } from "@/core/room";
import { occurrences, recordedPieces, rooms } from "../../db/schema";
import type { Context } from "../ground/context";
import { storeUse } from "../ground/store-room";

/** How much longer the hour of a date can be kept, on the disk and in its organisation's share. */
export async function recordingSpace(context: Context, occurrenceId: string): Promise<KeptSpace> {
  const [found] = await context.db
    .select({
      organisationId: occurrences.organisationId,
      bytes: sql<string>`coalesce(sum(${recordedPieces.sizeBytes}), 0)`,
      // the hour's own time: interpreters' sound runs beside it, and takes room all the same
      ms: sql<string>`coalesce(sum(${recordedPieces.durationMs}) filter (where ${recordedPieces.feed} = ${programmeFeed}), 0)`,
    })
    .from(occurrences)
    .leftJoin(rooms, and(eq(rooms.occurrenceId, occurrences.id), isNull(rooms.parentId)))
    .leftJoin(recordedPieces, eq(recordedPieces.roomId, rooms.id))
    .where(eq(occurrences.id, occurrenceId))
    .groupBy(occurrences.organisationId);
  if (!found) return { recordableMs: 0, isFull: false };
  const { keptBytes, limitBytes } = await storeUse(context, found.organisationId);
  const left = recordableMs({
    freeBytes: await context.storage.freeBytes(),
    shareLeftBytes: limitBytes - keptBytes,
    recordedBytes: Number(found.bytes),
    recordedMs: Number(found.ms),
  });
  return { recordableMs: toldRecordableMs(left), isFull: left === 0 };
}
