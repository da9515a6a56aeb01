import { eq } from "drizzle-orm";
import { recordingEditInput } from "@/contracts";
import { dayMs } from "@/core/time";
import { Refusal } from "@/core/shared";
import { leavesEnough, noEdit, type Chapter, type PlacedChapter, type RecordingEdit } from "@/core/watching";
import { recordings } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, wrongInput, type Context } from "../ground/context";
import { originalChapters } from "./chapters";
import { ownRecording, type RecordingRow } from "./own-recording";

/** A recording as the page that edits it shows it. */
export interface EditedRecording {
  readonly recording: RecordingRow;
  readonly eventId: string;
  readonly edit: RecordingEdit;
  /** as the hour gave them, on the original's clock */
  readonly hourChapters: readonly Chapter[];
}

export async function editOf(context: Context, member: TeamMember, recordingId: string): Promise<EditedRecording> {
  const { recording, eventId } = await ownRecording(context, member, recordingId, { action: "recording.edit" });
  return {
    recording,
    eventId,
    edit: recording.edit ?? noEdit,
    hourChapters: await originalChapters(context, recording),
  };
}

const cutsText = ({ cuts }: RecordingEdit): string => cuts.map(({ from, to }) => `${from}-${to}`).join();
const sameCuts = (a: RecordingEdit, b: RecordingEdit): boolean => cutsText(a) === cutsText(b);

/** Of an original of unknown length something is left by whatever is cut: whoever makes the file finds its end. */
const lengthMsOf = (recording: RecordingRow): number =>
  recording.durationSeconds === null ? dayMs : recording.durationSeconds * 1000;

/**
 * Keeps what is done to a recording, and has the file of what stays made anew where the cuts are others than before.
 * The original is never touched; without a cut it is what is watched again.
 * @throws wrong-state while the original itself is not there; invalid-input where nothing would be left
 */
export async function saveEdit(
  context: Context,
  member: TeamMember,
  recordingId: string,
  rawInput: unknown,
): Promise<void> {
  const { recording, eventId } = await ownRecording(context, member, recordingId, { action: "recording.edit" });
  const { title, cuts, chapters } = parse(recordingEditInput, rawInput);
  if (recording.state !== "ready")
    throw new Refusal({ code: "wrong-state", action: "recording.edit", state: recording.state });
  const ms = (seconds: number) => Math.round(seconds * 1000);
  const placed: readonly PlacedChapter[] | null = chapters;
  const edit: RecordingEdit = {
    cuts: cuts.map((one) => ({ from: ms(one.fromSeconds), to: ms(one.toSeconds) })).sort((a, b) => a.from - b.from),
    chapters: placed && [...placed].sort((a, b) => a.startSeconds - b.startSeconds),
  };
  if (!leavesEnough(lengthMsOf(recording), edit.cuts)) throw wrongInput("cuts", "nothing-left");
  const isWhole = edit.cuts.length === 0;
  const isMadeAnew = !isWhole && (recording.editState === "failed" || !sameCuts(recording.edit ?? noEdit, edit));
  await context.db.transaction(async (tx) => {
    await tx
      .update(recordings)
      .set({
        title,
        edit,
        ...(isWhole ? { editState: "none", editedFile: null, editedBytes: null, kept: null } : {}),
        ...(isMadeAnew ? { editState: "waiting" } : {}),
      })
      .where(eq(recordings.id, recording.id));
    await audit(context, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "recording.edit",
      eventId,
      occurrenceId: recording.occurrenceId,
      facts: { cuts: edit.cuts.length, chapters: edit.chapters?.length ?? 0 },
    });
  });
  if (isWhole && recording.editedFile) await context.storage.remove(recording.editedFile);
}
