import { eq } from "drizzle-orm";
import { recordings } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import { notFound, type Context } from "../ground/context";
import { keepPicture, pictureName } from "../way-in/front/pictures";
import { ownRecording, type RecordingRow } from "./own-recording";

/** The picture that stands for a recording before it plays: what came is made anew, and the one before it goes. */
export async function setRecordingPicture(
  context: Context,
  member: TeamMember,
  recordingId: string,
  bytes: Uint8Array,
): Promise<void> {
  const { recording } = await ownRecording(context, member, recordingId, { action: "recording.edit" });
  const { id } = await keepPicture(context, bytes);
  await context.db.update(recordings).set({ pictureId: id }).where(eq(recordings.id, recording.id));
  if (recording.pictureId) await context.storage.remove(pictureName(recording.pictureId));
}

/** Its bytes, WebP. @throws not-found where none was taken */
export async function recordingPicture(
  context: Context,
  { pictureId }: Pick<RecordingRow, "pictureId">,
): Promise<ReadableStream<Uint8Array>> {
  if (pictureId === null) throw notFound("picture");
  return context.storage.read(pictureName(pictureId), null);
}
