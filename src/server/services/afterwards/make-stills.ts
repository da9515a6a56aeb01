import { and, eq, isNull, or } from "drizzle-orm";
import { recordings } from "../../db/schema";
import { stillOf } from "../../files/still";
import type { Context } from "../ground/context";
import { keepPicture, pictureName } from "../way-in/front/pictures";
import { servedOf, servedSeconds, type RecordingRow } from "./own-recording";
import { servedFile, sweepServed } from "./sweep-served";

/** Nobody chose another. */
const isUnchosen = or(isNull(recordings.pictureId), eq(recordings.pictureId, recordings.stillId))!;

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
 * it (they wait until it can); one that is cut gets another. @returns how many were tried
 */
export const makeStills = (context: Context, command?: string): Promise<number> =>
  sweepServed(context, {
    madeOf: recordings.stillOf,
    only: isUnchosen,
    make: (recording) => make(context, recording, command),
    failed: "no picture of a recording",
  });
