import { and, asc, eq, isNull, sql } from "drizzle-orm";
import { recordings } from "../../db/schema";
import type { Context } from "../ground/context";
import { makeFile, NotMade } from "./make-media";
import { servedOf, type RecordingRow } from "./own-recording";

/** A sweep makes so many at most: one of an hour takes a second. */
const mostAtOnce = 20;
const servedFile = sql`coalesce(${recordings.editedFile}, ${recordings.fileName})`;

async function make(context: Context, recording: RecordingRow): Promise<void> {
  const { storage, db } = context;
  const { fileName } = servedOf(recording);
  const name = `${context.ids.id()}.sound`;
  const isMade = await makeFile(context, [fileName], name, ([path], outPath) => ({
    kind: "sound",
    path: path!,
    outPath,
  }))
    .then(() => true)
    .catch((error: unknown) => {
      // one that has no sound is not tried again
      if (error instanceof NotMade) return false;
      throw error;
    });
  const made = isMade
    ? { soundFile: name, soundBytes: await storage.size(name) }
    : { soundFile: null, soundBytes: null };
  const own = and(eq(recordings.id, recording.id), eq(servedFile, fileName));
  const taken = await db
    .update(recordings)
    .set({ ...made, soundOf: fileName })
    .where(own)
    .returning({ id: recordings.id });
  const unused = taken.length > 0 ? recording.soundFile : made.soundFile;
  if (unused) await storage.remove(unused);
}

/** Makes the sound alone of what is watched, for whoever's line carries no picture. @returns how many were tried */
export async function makeSounds(context: Context): Promise<number> {
  const waiting = await context.db
    .select()
    .from(recordings)
    .where(
      and(
        eq(recordings.state, "ready"),
        eq(recordings.editState, "none"),
        isNull(recordings.deletedAt),
        sql`${recordings.soundOf} is distinct from ${servedFile}`,
      ),
    )
    .orderBy(asc(recordings.uploadedAt))
    .limit(mostAtOnce);
  for (const recording of waiting)
    // one whose file is out of reach holds up no other
    await make(context, recording).catch((error: unknown) =>
      context.log.error("a sound alone could not be made", error, { recordingId: recording.id }),
    );
  return waiting.length;
}

/** The sound alone of a recording; null while there is none, or where it has none. */
export function soundOf(recording: RecordingRow): { readonly fileName: string; readonly sizeBytes: number } | null {
  const { soundFile, soundBytes, soundOf: of } = recording;
  return soundFile && soundBytes && of === servedOf(recording).fileName
    ? { fileName: soundFile, sizeBytes: soundBytes }
    : null;
}
