import { and, eq } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { keptOf } from "@/core/watching";
import { recordings } from "../../db/schema";
import type { Context } from "../ground/context";
import { nextToTake } from "../ground/next-to-take";
import { makeFile } from "./make-media";
import type { RecordingRow } from "./own-recording";

/** Whoever cuts and says nothing for so long is gone: it is taken over. */
const silentAfterMs = 120_000;

const work = {
  table: recordings,
  ...{ id: recordings.id, claimedAt: recordings.claimedAt, order: recordings.uploadedAt },
  ...{ isWaiting: eq(recordings.editState, "waiting"), isUnderWay: eq(recordings.editState, "making") },
};

async function claim(context: Context): Promise<RecordingRow | null> {
  const now = context.clock.now();
  const [taken] = await context.db
    .update(recordings)
    .set({ editState: "making", claimedAt: now })
    .where(eq(recordings.id, nextToTake(work, now - silentAfterMs)))
    .returning();
  return taken ?? null;
}

async function cut(context: Context, recording: RecordingRow): Promise<void> {
  const { storage, db } = context;
  // known to the second alone: nothing of the end is lost by that
  const lengthMs = recording.durationSeconds === null ? dayMs : (recording.durationSeconds + 1) * 1000;
  const kept = keptOf(lengthMs, recording.edit?.cuts ?? []);
  const name = `${context.ids.id()}.media`;
  // what was asked for meanwhile is another edit: it waits again, and this one is nobody's
  const own = and(eq(recordings.id, recording.id), eq(recordings.editState, "making"));
  const done = await makeFile(
    context,
    [recording.fileName],
    name,
    ([path], outPath) => ({ kind: "cut", path: path!, kept, outPath }),
    () => db.update(recordings).set({ claimedAt: context.clock.now() }).where(own),
  );
  const made = {
    editState: "none",
    editedFile: name,
    editedBytes: await storage.size(name),
    kept: done.kept ?? kept,
  } as const;
  const taken = await db.update(recordings).set(made).where(own).returning({ id: recordings.id });
  const unused = taken.length > 0 ? recording.editedFile : name;
  if (unused) await storage.remove(unused);
}

/** Makes the file of what stays of every recording whose cuts wait (rule 25), one after another. */
export async function cutRecordings(context: Context): Promise<number> {
  let made = 0;
  for (let one = await claim(context); one; one = await claim(context)) {
    try {
      await cut(context, one);
      made += 1;
    } catch (error) {
      context.log.error("a recording could not be cut", error, { recordingId: one.id });
      await context.db
        .update(recordings)
        .set({ editState: "failed" })
        .where(and(eq(recordings.id, one.id), eq(recordings.editState, "making")));
    }
  }
  return made;
}
