"use server";
import { removeFile } from "@/server/services/way-in/front/files";
import { saveFrontDoor } from "@/server/services/way-in/front/look";
import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import { commandInput, type CommandBody } from "@/contracts";
import { parse } from "@/server/services/ground/context";
import { createEvent, loadPlan } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import { deleteEvent, hearersOfEvent, publishEvent, restoreEvent } from "@/server/services/planning/event-life";
import { requestSeats } from "@/server/services/planning/seat-requests";
import { mendFinding } from "@/server/services/overview/readiness/mends";
import { createFromTemplate, duplicateEvent, saveTemplate } from "@/server/services/planning/templates";
import { deleteRecording } from "@/server/services/afterwards/bin-recording";
import { joinAgain } from "@/server/services/afterwards/join-recordings";
import { publishRecording, takeOffRecording } from "@/server/services/afterwards/publish-recording";
import { setDuration } from "@/server/services/afterwards/recordings";
import { makeTestGuest } from "@/server/services/way-in/registration";
import { copyRunSheet, saveRunSheet } from "@/server/services/planning/run-sheets";
import { tokenOf } from "@/server/services/way-in/tickets";
import { addFromEntry } from "@/server/services/people/stage-people";
import { executeWhole } from "@/server/services/ground/room/commands";
import { emptyRehearsal, fillRehearsal } from "@/server/services/hour/crowd";
import { deskEntry } from "@/server/services/hour/entry";
import { bringSideRooms } from "@/server/services/hour/side-rooms";
import { keepSwitches } from "@/server/services/hour/keep-switches";
import { extendDate } from "@/server/services/hour/extend";
import { findLate, letLateIn } from "@/server/services/hour/late-people";
import { app } from "@/server/compose";
import { forgetPages } from "../../../_lib/anonymous-pages";
import { act, currentMember } from "../../../_lib/request";

export async function createEventAction(
  input: unknown,
  templateId: string | null = null,
  people: readonly { name: string; email: string }[] = [],
) {
  const done = await act(async () => {
    const { context, member } = await currentMember();
    const made = await (templateId
      ? createFromTemplate(context, member, templateId, input)
      : createEvent(context, member, input));
    await addFromEntry(context, member, made.eventId, people);
    return made;
  });
  if (done.ok) redirect(`/events/${done.value.eventId}/plan`);
  return done;
}

export async function savePlanAction(eventId: string, version: number, input: unknown, tellPeople: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    const saved = await savePlan(context, member, eventId, version, input, tellPeople);
    revalidatePath(`/events/${eventId}`, "layout");
    return saved;
  });
}

/** The plan as it stands now, for whoever's saving came second. */
export async function currentPlanAction(eventId: string, dateId: string | null) {
  return act(async () => {
    const { context, member } = await currentMember();
    const { event, plan } = await loadPlan(context, member, eventId, dateId);
    return { version: event.version, plan };
  });
}

export async function publishAction(eventId: string, isPublished: boolean): Promise<void> {
  const { context, member } = await currentMember();
  await publishEvent(context, member, eventId, isPublished);
  forgetPages();
  revalidatePath(`/events/${eventId}`, "layout");
}

export async function deleteAction(eventId: string, tellPeople: boolean) {
  return act(async () => {
    const { context, member } = await currentMember();
    await deleteEvent(context, member, eventId, tellPeople);
    revalidatePath("/season");
  });
}

export async function restoreAction(eventId: string): Promise<void> {
  const { context, member } = await currentMember();
  await restoreEvent(context, member, eventId);
  revalidatePath("/season");
}

export async function saveRunSheetAction(eventId: string, dateId: string, tag: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const saved = await saveRunSheet(context, member, eventId, input, dateId, tag);
    revalidatePath(`/events/${eventId}`, "layout");
    return saved;
  });
}

export async function copyRunSheetAction(eventId: string, dateId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return copyRunSheet(context, member, eventId, dateId);
  });
}

export async function mendAction(eventId: string, dateId: string, check: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    const mended = await mendFinding(context, member, eventId, dateId, check);
    revalidatePath(`/events/${eventId}`, "layout");
    return mended;
  });
}

export async function saveTemplateAction(eventId: string, name: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await saveTemplate(context, member, eventId, name);
  });
}

export async function duplicateAction(eventId: string): Promise<void> {
  const { context, member } = await currentMember();
  const made = await duplicateEvent(context, member, eventId);
  redirect(`/events/${made}/plan`);
}

/** A copy of the event from a list of them; the list goes on to its plan. */
export async function copyEventAction(eventId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return duplicateEvent(context, member, eventId);
  });
}

/** How many would hear of the event's deletion. */
export async function hearersAction(eventId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return hearersOfEvent(context, member, eventId);
  });
}

export async function requestSeatsAction(eventId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await requestSeats(context, member, eventId, input);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function testGuestAction(eventId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return `${context.environment.STAGE_CALL_URL}/ticket/${tokenOf(context, await makeTestGuest(context, member, eventId))}`;
  });
}

export async function publishRecordingAction(eventId: string, recordingId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await publishRecording(context, member, recordingId, input);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function takeOffRecordingAction(eventId: string, recordingId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await takeOffRecording(context, member, recordingId);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

/** Into the bin: restored from the list of recordings for a week. */
export async function deleteRecordingAction(eventId: string, recordingId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await deleteRecording(context, member, recordingId);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

/** What was recorded and could not be joined is tried once more. */
export async function joinAgainAction(eventId: string, recordingId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await joinAgain(context, member, recordingId);
    revalidatePath(`/events/${eventId}`, "layout");
  });
}

export async function setDurationAction(recordingId: string, seconds: number) {
  return act(async () => {
    const { context, member } = await currentMember();
    await setDuration(context, member, recordingId, seconds);
  });
}

/** A room command from a page of the workspace, after the hour. */
async function commandFromWorkspace(eventId: string, occurrenceId: string, command: CommandBody): Promise<void> {
  const { context, member } = await currentMember();
  const { roomCache } = await app();
  const { ticketId, actor } = await deskEntry(context, member, eventId, occurrenceId);
  const input = parse(commandInput, { commandId: context.ids.id(), command });
  await executeWhole(context, roomCache, { actorId: ticketId, actor, occurrenceId }, input);
  revalidatePath(`/events/${eventId}/afterwards/${occurrenceId}`);
}

export async function strikeCurtainAction(eventId: string, occurrenceId: string, index: number, isStruck: boolean) {
  return act(() => commandFromWorkspace(eventId, occurrenceId, { type: "hour.strike-curtain", index, isStruck }));
}

/** Who may be late: people of this date and contacts, by letters. */
export async function findLateAction(eventId: string, occurrenceId: string, words: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findLate(context, member, eventId, occurrenceId, words);
  });
}

/** Sends somebody their link now, with a ticket where they have none. */
export async function letLateInAction(eventId: string, occurrenceId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return letLateIn(context, member, eventId, occurrenceId, input);
  });
}

/** Fills a rehearsal with invented people. */
export async function fillRehearsalAction(eventId: string, occurrenceId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    await fillRehearsal(context, member, eventId, occurrenceId, input);
  });
}

/** Sends the invented people of a rehearsal home. */
export async function emptyRehearsalAction(eventId: string, occurrenceId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await emptyRehearsal(context, member, eventId, occurrenceId);
  });
}

/** Moves the end of a date that is on, where its licence is free for longer. */
export async function extendDateAction(eventId: string, occurrenceId: string, minutes: number, seenEndAt: number) {
  return act(async () => {
    const { context, member } = await currentMember();
    await extendDate(context, member, eventId, occurrenceId, minutes, seenEndAt);
  });
}

/** Side rooms from a file: what it came to, row by row where one could not be placed. */
export async function bringSideRoomsAction(eventId: string, occurrenceId: string, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    const { roomCache } = await app();
    return bringSideRooms(context, roomCache, member, eventId, occurrenceId, input);
  });
}

/** The event's further dates begin with the audience's settings of this hour. */
export async function keepSwitchesAction(eventId: string, occurrenceId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await keepSwitches(context, member, eventId, occurrenceId);
  });
}

export async function answerByMailAction(eventId: string, occurrenceId: string, questionId: string, text: string) {
  return act(() =>
    commandFromWorkspace(eventId, occurrenceId, { type: "questions.answer", questionId, how: "to-one", text }),
  );
}

export async function saveFrontDoorAction(eventId: string, version: number, input: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return saveFrontDoor(context, member, eventId, version, input);
  });
}

export async function removeFileAction(eventId: string, fileId: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    await removeFile(context, member, eventId, fileId);
  });
}
