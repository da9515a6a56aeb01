"use server";
import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { makeBoard, removeBoard } from "@/server/services/afterwards/boards";
import { saveRecordStore } from "@/server/services/afterwards/record-store";
import { openRoomNow } from "@/server/services/planning/dates/open-now";
import { decideSeats } from "@/server/services/planning/seat-requests";
import { saveLicences } from "@/server/services/organisation/licences";
import { saveRules } from "@/server/services/organisation/rules";
import { seatsAround } from "@/server/services/organisation/seats";
import { readDraft } from "@/server/services/planning/calendar-import/draft";
import { deleteTemplate, renameTemplate } from "@/server/services/planning/templates";
import { findInBook } from "@/server/services/people/contacts/find";
import { findATimeAhead } from "@/server/services/people/find-a-time";
import { zoneCities } from "../_lib/cities";
import { act, currentMember } from "../_lib/request";

export async function askSeatsAction(question: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return seatsAround(context, member, question);
  });
}

/** A calendar file or pasted text, read into the beginning of a plan. Nothing is kept. */
export async function readDraftAction(data: FormData) {
  return act(async () => {
    const { context, member } = await currentMember();
    const file = data.get("file");
    const bytes = file instanceof File && file.size > 0 ? new Uint8Array(await file.arrayBuffer()) : null;
    return readDraft(context, member, bytes, String(data.get("text") ?? ""), zoneCities());
  });
}

/** Contacts by a few letters, for whoever plans something new. */
export async function findInBookAction(words: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findInBook(context, member, String(words));
  });
}

export async function findATimeAheadAction(question: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findATimeAhead(context, member, question);
  });
}

export async function saveLicencesAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveLicences(context, member, input);
    revalidatePath("/organisation");
  });
}

export async function saveRecordStoreAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveRecordStore(context, member, input);
    revalidatePath("/organisation");
  });
}

export async function saveRulesAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveRules(context, member, input);
    revalidatePath("/organisation");
  });
}

export async function decideSeatsAction(requestId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await decideSeats(context, member, requestId, input);
    revalidatePath("/organisation");
  });
}

export async function renameTemplateAction(templateId: string, name: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await renameTemplate(context, member, templateId, name);
    revalidatePath("/organisation");
  });
}

export async function deleteTemplateAction(templateId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await deleteTemplate(context, member, templateId);
    revalidatePath("/organisation");
  });
}

/** From anywhere: a room of one's own, open at once. */
export async function openRoomNowAction(): Promise<void> {
  const { context, member } = await currentMember();
  const room = await openRoomNow(context, member);
  redirect(`/events/${room.eventId}/desk/${room.occurrenceId}?link=copy`);
}

export async function makeBoardAction(input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return makeBoard(context, member, input);
  });
}

export async function removeBoardAction(boardId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeBoard(context, member, boardId);
  });
}
