"use server";
import { revalidatePath } from "next/cache";
import {
  cancelFor,
  correctAddress,
  keepNote,
  moveToDate,
  replaceLink,
  sendLinkAgain,
} from "@/server/services/way-in/registrant-acts";
import { act, currentMember } from "../../../_lib/request";

const again = (eventId: string) => revalidatePath(`/events/${eventId}/front-door`);

export async function sendLinkAgainAction(eventId: string, ticketId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await sendLinkAgain(context, member, eventId, ticketId);
    again(eventId);
  });
}

export async function replaceLinkAction(eventId: string, ticketId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await replaceLink(context, member, eventId, ticketId);
    again(eventId);
  });
}

export async function cancelForAction(eventId: string, ticketId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await cancelFor(context, member, eventId, ticketId);
    again(eventId);
  });
}

export async function correctAddressAction(eventId: string, ticketId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await correctAddress(context, member, eventId, ticketId, input);
    again(eventId);
  });
}

export async function moveToDateAction(eventId: string, ticketId: string, dateId: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await moveToDate(context, member, eventId, ticketId, dateId);
    again(eventId);
  });
}

export async function keepNoteAction(eventId: string, ticketId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await keepNote(context, member, eventId, ticketId, input);
    again(eventId);
  });
}
