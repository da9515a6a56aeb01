import { and, eq } from "drizzle-orm";
import { recordings } from "../../db/schema";
import type { Context } from "../ground/context";
import { makeFile, NotMade } from "./make-media";
import { servedOf, type RecordingRow } from "./own-recording";
import { servedFile, sweepServed } from "./sweep-served";

async function make(context: Context, recording: RecordingRow): Promise<true> {
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
  return true;
}

/** Makes the sound alone of what is watched, for whoever's line carries no picture. @returns how many were tried */
export const makeSounds = (context: Context): Promise<number> =>
  sweepServed(context, {
    madeOf: recordings.soundOf,
    make: (recording) => make(context, recording),
    failed: "a sound alone could not be made",
  });

/** The sound alone of a recording; null while there is none, or where it has none. */
export function soundOf(recording: RecordingRow): { readonly fileName: string; readonly sizeBytes: number } | null {
  const { soundFile, soundBytes, soundOf: of } = recording;
  return soundFile && soundBytes && of === servedOf(recording).fileName
    ? { fileName: soundFile, sizeBytes: soundBytes }
    : null;
}
