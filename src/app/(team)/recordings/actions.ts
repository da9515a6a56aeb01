"use server";
import { revalidatePath } from "next/cache";
import { saveEdit } from "@/server/services/afterwards/edit-recording";
import { planScreening } from "@/server/services/afterwards/screenings";
import { restoreRecording } from "@/server/services/afterwards/bin-recording";
import { act, currentMember } from "../../_lib/request";

export async function saveEditAction(recordingId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveEdit(context, member, recordingId, input);
    revalidatePath(`/recordings/${recordingId}`);
  });
}

/** Another date of its event, at which the recording is watched together. */
export async function planScreeningAction(recordingId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await planScreening(context, member, recordingId, input);
    revalidatePath(`/recordings/${recordingId}`);
  });
}

/** Out of the bin as it was. */
export async function restoreRecordingAction(recordingId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await restoreRecording(context, member, recordingId);
    revalidatePath("/recordings");
  });
}
