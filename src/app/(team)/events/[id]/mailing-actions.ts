"use server";
import { revalidatePath } from "next/cache";
import { wordedKinds, type WordedKind } from "@/core/mailings";
import { Refusal } from "@/core/shared";
import { postOnBoard } from "@/server/services/afterwards/boards";
import { deleteMailing, saveKindWords, saveMailing } from "@/server/services/mailings/compose";
import { previewMailing, testMailing } from "@/server/services/mailings/preview";
import { findContacts, readAudience } from "@/server/services/mailings/read-audience";
import {
  goOnMailing,
  remindUnanswered,
  sendMailing,
  stopMailing,
  summariseAudience,
} from "@/server/services/mailings/send";
import { setFollowUp, setReminders } from "@/server/services/mailings/track";
import { act, currentMember } from "../../../_lib/request";

const again = (eventId: string) => revalidatePath(`/events/${eventId}/mailings`);

export async function saveMailingAction(eventId: string, id: string | null, version: number, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return saveMailing(context, member, eventId, id, version, input);
  });
}

export async function saveKindWordsAction(eventId: string, kind: WordedKind, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    if (!wordedKinds.includes(kind)) throw new Refusal({ code: "not-found", what: "kind" });
    await saveKindWords(context, member, eventId, kind, input);
    again(eventId);
  });
}

export async function previewMailingAction(eventId: string, input: unknown, personId: string | null) {
  return act(async () => {
    const { context, member } = await currentMember();
    return previewMailing(context, member, eventId, input, personId);
  });
}

export async function testMailingAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return testMailing(context, member, eventId, input);
  });
}

export async function countAudienceAction(eventId: string, kind: string, audience: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return summariseAudience(context, member, eventId, kind as "invitation", audience);
  });
}

export async function readAudienceAction(eventId: string, kind: string, audience: unknown, words: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return readAudience(context, member, eventId, kind as "invitation", audience, String(words));
  });
}

export async function findContactsAction(eventId: string, words: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findContacts(context, member, eventId, String(words));
  });
}

export async function sendMailingAction(eventId: string, id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    const sent = await sendMailing(context, member, eventId, id);
    again(eventId);
    return sent;
  });
}

export async function stopMailingAction(eventId: string, id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return stopMailing(context, member, eventId, id);
  });
}

export async function goOnMailingAction(eventId: string, id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return goOnMailing(context, member, eventId, id);
  });
}

export async function deleteMailingAction(eventId: string, id: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await deleteMailing(context, member, eventId, id);
    again(eventId);
  });
}

export async function remindUnansweredAction(eventId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return remindUnanswered(context, member, eventId);
  });
}

export async function setRemindersAction(eventId: string, offsets: number[]) {
  return act(async () => {
    const { context, member } = await currentMember();
    return setReminders(context, member, eventId, offsets);
  });
}

export async function setFollowUpAction(eventId: string, mailingId: string, change: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setFollowUp(context, member, eventId, mailingId, change);
  });
}

export async function postOnBoardAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await postOnBoard(context, member, eventId, input);
  });
}
