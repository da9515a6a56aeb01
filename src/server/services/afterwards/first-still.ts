import { and, eq, isNull } from "drizzle-orm";
import { recordings } from "../../db/schema";
import { stillOf } from "../../files/still";
import type { Context } from "../ground/context";
import { keepPicture, pictureName } from "../way-in/front/pictures";

/** A hall fills while the first words are said: what is seen a tenth in, five seconds where no length is known. */
const instantsOf = (durationSeconds: number | null): readonly number[] => [
  durationSeconds === null ? 5 : durationSeconds / 10,
  0,
];

/**
 * Gives a recording that has no title picture one of its own, where this machine can make it. Whoever chooses one in
 * the meantime keeps theirs. Nothing that fails here concerns the recording.
 */
export async function giveFirstStill(context: Context, recordingId: string, command?: string): Promise<void> {
  const [recording] = await context.db.select().from(recordings).where(eq(recordings.id, recordingId));
  if (!recording || recording.pictureId !== null) return;
  try {
    const kind = recording.mediaType;
    const bytes = await context.storage.withPaths([recording.fileName], async ([path]) => {
      for (const atSeconds of instantsOf(recording.durationSeconds)) {
        const still = await stillOf(path!, { kind, atSeconds, ...(command && { command }) });
        if (still) return still;
      }
      return null;
    });
    if (bytes) await keepStill(context, recordingId, bytes);
  } catch (error) {
    context.log.warn("no picture of a recording", { recordingId, error: String(error) });
  }
}

async function keepStill(context: Context, recordingId: string, bytes: Uint8Array): Promise<void> {
  const { id } = await keepPicture(context, bytes);
  const taken = await context.db
    .update(recordings)
    .set({ pictureId: id })
    .where(and(eq(recordings.id, recordingId), isNull(recordings.pictureId)))
    .returning({ id: recordings.id });
  if (taken.length === 0) await context.storage.remove(pictureName(id));
}
