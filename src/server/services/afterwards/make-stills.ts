import { and, asc, eq, isNull, or, sql } from "drizzle-orm";
import { recordings } from "../../db/schema";
import { stillOf } from "../../files/still";
import type { Context } from "../ground/context";
import { keepPicture, pictureName } from "../way-in/front/pictures";
import { servedOf, servedSeconds, type RecordingRow } from "./own-recording";

/** A sweep makes so many at most: each takes a part of a second. */
const mostAtOnce = 20;
const servedFile = sql`coalesce(${recordings.editedFile}, ${recordings.fileName})`;
/** Nobody chose another. */
const isUnchosen = or(isNull(recordings.pictureId), eq(recordings.pictureId, recordings.stillId));

/** A hall fills while the first words are said: what is seen a tenth in, five seconds where no length is known. */
const instantsOf = (seconds: number | null): readonly number[] => [seconds === null ? 5 : seconds / 10, 0];

/** @returns whether the machine has the program for it */
async function make(context: Context, recording: RecordingRow, command?: string): Promise<boolean> {
  const { fileName } = servedOf(recording);
  const kind = recording.mediaType;
  const bytes = await context.storage.withPaths([fileName], async ([path]) => {
    for (const atSeconds of instantsOf(servedSeconds(recording))) {
      const still = await stillOf(path!, { kind, atSeconds, ...(command && { command }) });
      if (still) return still;
    }
    return null;
  });
  if (bytes === "missing") return false;
  const stillId = bytes ? (await keepPicture(context, bytes)).id : null;
  const taken = await context.db
    .update(recordings)
    .set({ pictureId: stillId, stillId, stillOf: fileName })
    .where(and(eq(recordings.id, recording.id), eq(servedFile, fileName), isUnchosen))
    .returning({ id: recordings.id });
  // whoever chose one in the meantime keeps theirs
  const unused = taken.length > 0 ? recording.stillId : stillId;
  if (unused) await context.storage.remove(pictureName(unused));
  return true;
}

/**
 * Gives recordings that nobody chose a title picture for one of what is watched of them, where this machine can make
 * it; one that is cut gets another. What fails here concerns no recording. @returns how many were tried
 */
export async function makeStills(context: Context, command?: string): Promise<number> {
  const waiting = await context.db
    .select()
    .from(recordings)
    .where(
      and(
        eq(recordings.state, "ready"),
        eq(recordings.editState, "none"),
        isNull(recordings.deletedAt),
        isUnchosen,
        sql`${recordings.stillOf} is distinct from ${servedFile}`,
      ),
    )
    .orderBy(asc(recordings.uploadedAt))
    .limit(mostAtOnce);
  for (const recording of waiting) {
    const isThere = await make(context, recording, command).catch((error: unknown) => {
      // one whose file is out of reach holds up no other
      context.log.error("no picture of a recording", error, { recordingId: recording.id });
      return true;
    });
    // they wait until it is: a machine may get the program later
    if (!isThere) return 0;
  }
  return waiting.length;
}
