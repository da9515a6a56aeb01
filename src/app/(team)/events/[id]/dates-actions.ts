"use server";
import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { wordsOf } from "@/contracts";
import { applyExtent, previewExtent, undoChange } from "@/server/services/planning/dates/extents";
import { openStanding } from "@/server/services/planning/dates/open-now";
import { addRehearsal, cancelRehearsal, inviteToRehearsal } from "@/server/services/planning/dates/rehearsals";
import { act, currentMember } from "../../../_lib/request";

export async function previewExtentAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const preview = await previewExtent(context, member, eventId, input);
    return { ...preview, refusedWords: preview.refused ? wordsOf(preview.refused) : null };
  });
}

export async function applyExtentAction(eventId: string, input: unknown, tellPeople: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    const done = await applyExtent(context, member, eventId, input, tellPeople);
    revalidatePath("/", "layout");
    return done;
  });
}

export async function undoChangeAction(eventId: string, changeId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    const count = await undoChange(context, member, eventId, changeId);
    revalidatePath("/", "layout");
    return count;
  });
}

export async function addRehearsalAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await addRehearsal(context, member, eventId, input);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function inviteToRehearsalAction(eventId: string, dateId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return inviteToRehearsal(context, member, eventId, dateId);
  });
}

export async function cancelRehearsalAction(eventId: string, dateId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await cancelRehearsal(context, member, eventId, dateId);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function openStandingAction(eventId: string): Promise<void> {
  const { context, member } = await currentMember();
  const room = await openStanding(context, member, eventId);
  redirect(`/events/${eventId}/desk/${room.occurrenceId}`);
}
