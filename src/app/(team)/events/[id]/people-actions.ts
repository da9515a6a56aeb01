"use server";
import { revalidatePath } from "next/cache";
import { Refusal } from "@/core/shared";
import { addBusyCalendar } from "@/server/services/people/busy-calendar";
import { findATime } from "@/server/services/people/find-a-time";
import { decideRegistrations } from "@/server/services/way-in/registration-changes";
import { addStagePerson, removeStagePerson, setDuties, setReply } from "@/server/services/people/stage-people";
import { inviteStagePeople, previewStageInvitation } from "@/server/services/mailings/stage-invitations";
import { act, currentMember } from "../../../_lib/request";

export async function addPersonAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await addStagePerson(context, member, eventId, input);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function setDutiesAction(eventId: string, ticketId: string, duties: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setDuties(context, member, eventId, ticketId, duties);
    revalidatePath(`/events/${eventId}/people`);
  });
}

export async function removePersonAction(eventId: string, ticketId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeStagePerson(context, member, eventId, ticketId);
    revalidatePath(`/events/${eventId}/people`);
  });
}

export async function previewStageAction(eventId: string, ticketId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return previewStageInvitation(context, member, eventId, ticketId);
  });
}

export async function inviteStageAction(eventId: string, ticketIds: string[]) {
  return act(async () => {
    const { context, member } = await currentMember();
    const sent = await inviteStagePeople(context, member, eventId, ticketIds);
    revalidatePath(`/events/${eventId}`, "layout");
    return sent;
  });
}

export async function setReplyAction(eventId: string, ticketId: string, reply: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setReply(context, member, eventId, ticketId, reply);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function addBusyCalendarAction(eventId: string, ticketId: string, data: FormData) {
  return act(async () => {
    const { context, member } = await currentMember();
    const file = data.get("file");
    if (!(file instanceof File)) throw new Refusal({ code: "bad-calendar", reason: "unreadable" });
    const read = await addBusyCalendar(
      context,
      member,
      eventId,
      ticketId,
      file.name,
      new Uint8Array(await file.arrayBuffer()),
    );
    revalidatePath(`/events/${eventId}/people`);
    return read;
  });
}

export async function findATimeAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findATime(context, member, eventId, input);
  });
}

export async function decideRegistrationAction(eventId: string, ticketIds: string[], isApproved: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    const decided = await decideRegistrations(context, member, eventId, ticketIds, isApproved);
    revalidatePath(`/events/${eventId}`, "layout");
    return decided;
  });
}
