import { and, desc, eq, gte, inArray, isNotNull, lt } from "drizzle-orm";
import { binDays } from "@/core/dates";
import { Refusal } from "@/core/shared";
import { dayMs } from "@/core/time";
import { recordings } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { pictureName } from "../way-in/front/pictures";
import { forgetPiecesOf } from "./join-recordings";
import { ownRecording, type RecordingRow } from "./own-recording";
import { forgetPlannedWord } from "./publish-recording";
import { screeningsAhead } from "./screenings";

/**
 * Puts a recording into the bin: nobody sees it any more, and nobody is told of it. Its file goes a week later.
 * @throws screening-planned while it is to be watched together: that date would have nothing to show
 */
export async function deleteRecording(context: Context, member: TeamMember, recordingId: string): Promise<void> {
  const { recording, eventId } = await ownRecording(context, member, recordingId);
  const { state, organisationId, occurrenceId } = recording;
  // what is being put together is not known yet: it is deleted once it stands
  if (state === "waiting" || state === "joining")
    throw new Refusal({ code: "wrong-state", action: "recording.upload", state });
  if ((await screeningsAhead(context, recording)).ahead.length > 0) throw new Refusal({ code: "screening-planned" });
  await context.db.transaction(async (tx) => {
    await tx.update(recordings).set({ deletedAt: context.clock.now() }).where(eq(recordings.id, recording.id));
    // word of another recording of the date that is published stays planned
    if (recording.publishedFrom !== null) await forgetPlannedWord(tx, occurrenceId);
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId };
    await audit(context, tx, { ...about, action: "recording.delete" });
  });
}

/** Takes it out of the bin as it was, its publication with it; mails that told of it are not planned anew. */
export async function restoreRecording(context: Context, member: TeamMember, recordingId: string): Promise<void> {
  const { recording, eventId } = await ownRecording(context, member, recordingId, { inBin: true });
  const { organisationId, occurrenceId } = recording;
  await context.db.transaction(async (tx) => {
    await tx.update(recordings).set({ deletedAt: null }).where(eq(recordings.id, recording.id));
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId };
    await audit(context, tx, { ...about, action: "recording.restore" });
  });
}

/** What lies in the bin, the latest first. */
export async function binnedRecordings(
  context: Context,
  member: TeamMember,
): Promise<readonly { readonly id: string; readonly title: string; readonly goesAt: number }[]> {
  const rows = await context.db
    .select({ id: recordings.id, title: recordings.title, deletedAt: recordings.deletedAt })
    .from(recordings)
    .where(
      and(
        eq(recordings.organisationId, member.organisationId),
        gte(recordings.deletedAt, context.clock.now() - binDays * dayMs),
      ),
    )
    .orderBy(desc(recordings.deletedAt))
    .limit(50);
  return rows.map(({ id, title, deletedAt }) => ({ id, title, goesAt: deletedAt! + binDays * dayMs }));
}

/** Every name under which something of a recording lies in the storage. */
export const filesOfRecording = ({
  fileName,
  editedFile,
  soundFile,
  pictureId,
}: Pick<RecordingRow, "fileName" | "editedFile" | "soundFile" | "pictureId">): readonly string[] => [
  fileName,
  ...[editedFile, soundFile].filter((one) => one !== null),
  ...(pictureId ? [pictureName(pictureId)] : []),
];

/** Recordings that lay in the bin for a week go, with all that was kept of them. @returns how many */
export async function emptyRecordingBin(context: Context, now: number): Promise<number> {
  const old = await context.db
    .select()
    .from(recordings)
    .where(and(isNotNull(recordings.deletedAt), lt(recordings.deletedAt, now - binDays * dayMs)))
    .limit(500);
  if (old.length === 0) return 0;
  for (const recording of old) if (recording.state === "failed") await forgetPiecesOf(context, recording);
  const ids = old.map(({ id }) => id);
  await context.db.delete(recordings).where(inArray(recordings.id, ids));
  for (const name of old.flatMap(filesOfRecording)) await context.storage.remove(name);
  return old.length;
}
