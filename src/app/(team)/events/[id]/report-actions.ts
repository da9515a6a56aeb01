"use server";
import { revalidatePath } from "next/cache";
import { redirect } from "next/navigation";
import type { TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";
import { changeCredit, issueCredit } from "@/server/services/afterwards/credit";
import { postStatements } from "@/server/services/afterwards/record-store";
import { correctEntry, markAsTest, mergeLines, undoCorrection } from "@/server/services/afterwards/correct";
import { findLines } from "@/server/services/afterwards/people-of-date";
import { draftForPeopleOfDate, fileOfPeople, noteOfDate } from "@/server/services/afterwards/people-acts";
import { saveSurvey } from "@/server/services/afterwards/survey";
import { remindOfSurvey } from "@/server/services/afterwards/survey-asked";
import { makeSummaryLink, revokeSummaryLink } from "@/server/services/afterwards/summary-links";
import { mailWhoLeft, stretchOfDate } from "@/server/services/afterwards/stretch";
import { act, currentMember } from "../../../_lib/request";

/** One act on a date's report, after which every page of it is made anew. */
const onReport = <T>(eventId: string, run: (context: Context, member: TeamMember) => Promise<T>) =>
  act(async () => {
    const { context, member } = await currentMember();
    const done = await run(context, member);
    revalidatePath(`/events/${eventId}/afterwards`, "layout");
    return done;
  });

export async function stretchAction(eventId: string, date: string, from: number, to: number) {
  return act(async () => {
    const { context, member } = await currentMember();
    return stretchOfDate(context, member, eventId, date, { from, to });
  });
}

export async function mailLeftAction(eventId: string, date: string, from: number, to: number) {
  const done = await act(async () => {
    const { context, member } = await currentMember();
    return mailWhoLeft(context, member, eventId, date, { from, to });
  });
  if (done.ok) redirect(`/events/${eventId}/mailings?mailing=${done.value.id}`);
  return done;
}

export async function mailPeopleAction(eventId: string, date: string, keys: unknown) {
  const done = await act(async () => {
    const { context, member } = await currentMember();
    return draftForPeopleOfDate(context, member, eventId, date, keys);
  });
  if (done.ok) redirect(`/events/${eventId}/mailings?mailing=${done.value.id}`);
  return done;
}

export async function remindOfSurveyAction(eventId: string, date: string) {
  const done = await act(async () => {
    const { context, member } = await currentMember();
    return remindOfSurvey(context, member, eventId, date);
  });
  if (done.ok) redirect(`/events/${eventId}/mailings?mailing=${done.value.id}`);
  return done;
}

export async function noteOfDateAction(eventId: string, date: string, input: unknown) {
  return onReport(eventId, (context, member) => noteOfDate(context, member, eventId, date, input));
}

/** Leads to the line that is left of the two. */
export async function mergeLinesAction(
  eventId: string,
  date: string,
  input: { readonly personKey: string; readonly intoKey: string },
) {
  const done = await onReport(eventId, (context, member) =>
    mergeLines(context, member, { eventId, occurrenceId: date }, input),
  );
  if (done.ok) redirect(`/events/${eventId}/afterwards/${date}/people/${encodeURIComponent(String(input.intoKey))}`);
  return done;
}

export async function findLinesAction(eventId: string, date: string, notKey: string, words: string) {
  return act(async () => {
    const { context, member } = await currentMember();
    return findLines(context, member, eventId, date, notKey, String(words));
  });
}

export async function markAsTestAction(eventId: string, date: string, input: unknown) {
  return onReport(eventId, (context, member) => markAsTest(context, member, { eventId, occurrenceId: date }, input));
}

export async function correctEntryAction(eventId: string, date: string, input: unknown) {
  return onReport(eventId, (context, member) => correctEntry(context, member, { eventId, occurrenceId: date }, input));
}

export async function undoCorrectionAction(eventId: string, date: string, correctionId: string) {
  return onReport(eventId, (context, member) =>
    undoCorrection(context, member, { eventId, occurrenceId: date }, correctionId),
  );
}

export async function filePeopleAction(eventId: string, date: string, keys: unknown) {
  return act(async () => {
    const { context, member } = await currentMember();
    return fileOfPeople(context, member, eventId, date, keys);
  });
}

export async function issueCreditAction(eventId: string, date: string) {
  return onReport(eventId, (context, member) => issueCredit(context, member, eventId, date));
}

export async function postStatementsAction(eventId: string, date: string) {
  return onReport(eventId, (context, member) => postStatements(context, member, eventId, date));
}

export async function changeCreditAction(eventId: string, date: string, input: unknown) {
  return onReport(eventId, (context, member) => changeCredit(context, member, eventId, date, input));
}

export async function saveSurveyAction(eventId: string, version: number, input: unknown) {
  return onReport(eventId, (context, member) => saveSurvey(context, member, eventId, version, input));
}

export async function makeSummaryLinkAction(eventId: string, date: string, input: unknown) {
  return onReport(eventId, (context, member) => makeSummaryLink(context, member, eventId, date, input));
}

export async function revokeSummaryLinkAction(eventId: string, date: string, linkId: string) {
  return onReport(eventId, (context, member) => revokeSummaryLink(context, member, eventId, date, linkId));
}
