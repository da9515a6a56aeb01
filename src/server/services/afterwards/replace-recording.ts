import { eq } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { fitsClock } from "@/core/watching";
import { recordings } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { mediaLength } from "./make-media";
import { ownRecording, type RecordingRow } from "./own-recording";
import { takeMedia } from "./take-media";

/** What stays of how a recording was edited, where its file is another one. */
const editedAs = ({ edit }: RecordingRow, isSameClock: boolean) => {
  if (isSameClock) return { edit, editState: (edit?.cuts.length ?? 0) > 0 ? ("waiting" as const) : ("none" as const) };
  return { edit: null, editState: "none" as const, editedFile: null, editedBytes: null, kept: null, spans: null };
};

/**
 * Another file in place of a recording's own: its address, publication and figures stay. One of the same length keeps
 * cuts, chapters and slides, and is cut anew; another length has another clock, so that they are dropped.
 * @returns whether they were kept @throws wrong-state, and whatever refuses an upload
 */
export async function replaceRecording(
  context: Context,
  member: TeamMember,
  recordingId: string,
  file: { readonly body: ReadableStream<Uint8Array>; readonly expectedBytes: number | null },
): Promise<{ readonly isSameClock: boolean }> {
  const { recording, eventId } = await ownRecording(context, member, recordingId, { action: "recording.edit" });
  const { id, state, organisationId, occurrenceId } = recording;
  if (state !== "ready") throw new Refusal({ code: "wrong-state", action: "recording.edit", state });
  const isSameClock = await takeMedia(context, organisationId, file, async (taken) => {
    const seconds = await mediaLength(context, taken.fileName);
    const isSame = fitsClock(recording.durationSeconds, seconds);
    await context.db.transaction(async (tx) => {
      await tx
        .update(recordings)
        .set({ ...taken, ...editedAs(recording, isSame), durationSeconds: Math.round(seconds) })
        .where(eq(recordings.id, id));
      const about = { organisationId, actorId: member.userId, eventId, occurrenceId };
      await audit(context, tx, {
        ...about,
        action: "recording.replace",
        facts: { lengthSeconds: Math.round(seconds) },
      });
    });
    return isSame;
  });
  await context.storage.remove(recording.fileName);
  if (!isSameClock && recording.editedFile) await context.storage.remove(recording.editedFile);
  return { isSameClock };
}
