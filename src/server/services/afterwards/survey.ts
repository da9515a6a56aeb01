import { and, asc, eq, sql } from "drizzle-orm";
import { surveyAnswersInput, surveyInput, type SurveyInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import {
  fewestTogether,
  readSurvey,
  surveyFaults,
  surveyGroups,
  surveyOpenDays,
  surveyResult,
  type SurveyAnswers,
  type SurveyQuestion,
  type SurveyResult,
} from "@/core/survey";
import { dayMs } from "@/core/time";
import type { Db } from "../../db/client";
import { surveyAnswers, surveyReplies, surveys } from "../../db/schema";
import { accessFor, dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";
import { csvText, type Cell } from "../ground/delimited";
import type { Holder } from "../way-in/tickets";
import { folkOf } from "./folk";
import { iso } from "./moments";
import { askedCount, unanswered } from "./survey-asked";
import { surveyOf, type SurveyRow } from "./survey-kept";

const mostAnswers = 50_000;

/** A fresh survey: what a producer would ask first. */
export const freshSurvey: SurveyInput = {
  questions: [
    { id: "overall", kind: "scale-5", label: "How was it on the whole?", isRequired: true, options: [] },
    { id: "again", kind: "scale-10", label: "How likely are you to come again?", isRequired: false, options: [] },
    { id: "words", kind: "text", label: "What should be different next time?", isRequired: false, options: [] },
  ],
  isAnonymous: true,
  isSample: false,
  isOn: true,
};

/**
 * Keeps what is asked after an event's dates. Once somebody has answered, whether answers bear names is fixed: nobody's
 * words change from nameless to named behind their back.
 */
export async function saveSurvey(
  context: Context,
  member: TeamMember,
  eventId: string,
  version: number,
  rawInput: unknown,
): Promise<{ readonly version: number }> {
  const { event } = await accessFor(context, member, eventId, "survey.edit");
  const input = parse(surveyInput, rawInput);
  return context.db.transaction(async (tx) => {
    const [before] = await tx.select().from(surveys).where(eq(surveys.eventId, eventId)).for("update");
    if ((before?.version ?? 0) !== version)
      throw new Refusal({ code: "edited-meanwhile", currentVersion: before?.version ?? 0 });
    if (before && before.isAnonymous !== input.isAnonymous && (await answersOfEvent(tx, eventId)) > 0)
      throw new Refusal({ code: "already-done", action: "survey.edit" });
    const values = { ...input, organisationId: event.organisationId, version: version + 1 };
    await tx
      .insert(surveys)
      .values({ eventId, ...values })
      .onConflictDoUpdate({ target: surveys.eventId, set: values });
    await audit({ ...context, db: tx }, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "survey.edit",
      eventId,
      facts: { questions: input.questions.length },
    });
    return { version: version + 1 };
  });
}
async function answersOfEvent(db: Db, eventId: string): Promise<number> {
  const { rows } = await db.execute(
    sql`select count(*)::int as n from survey_answers a join occurrences o on o.id = a.occurrence_id where o.event_id = ${eventId}`,
  );
  return Number(rows[0]!["n"]);
}

/** What a holder finds at their survey's address. */
export type SurveyPage =
  | { readonly state: "none" | "closed" | "elsewhere" }
  | {
      readonly state: "open";
      readonly questions: readonly SurveyQuestion[];
      readonly isAnonymous: boolean;
      readonly answers: SurveyAnswers | null;
      readonly closesAt: number;
    };

/** Until when a date's survey takes answers; null before its end. */
const closesAt = ({ occurrence }: Pick<Holder, "occurrence">): number =>
  (occurrence.endedAt ?? occurrence.endAt) + surveyOpenDays * dayMs;

/** Where it is asked: from the last quarter of the hour on, so that a link in the room opens it; for as many days as the core says. */
const hasBegun = ({ occurrence }: Holder): boolean => occurrence.phase === "ended" || occurrence.phase === "open";

/** @param editKey what an anonymous answer gave the browser to change it by */
export async function surveyPage(context: Context, holder: Holder, editKey: string | null): Promise<SurveyPage> {
  const survey = await surveyOf(context.db, holder.event.id);
  if (!survey?.isOn || !hasBegun(holder) || holder.ticket.role !== "attendee") return { state: "none" };
  if (context.clock.now() >= closesAt(holder)) return { state: "closed" };
  const own = await ownAnswer(context, context.db, holder, survey, editKey);
  if (own === "elsewhere") return { state: "elsewhere" };
  return {
    state: "open",
    questions: survey.questions,
    isAnonymous: survey.isAnonymous,
    answers: own?.answers ?? null,
    closesAt: closesAt(holder),
  };
}

async function ownAnswer(context: Context, db: Db, holder: Holder, survey: SurveyRow, editKey: string | null) {
  const { occurrence, ticket } = holder;
  const [row] = await db
    .select()
    .from(surveyAnswers)
    .where(
      and(
        eq(surveyAnswers.occurrenceId, occurrence.id),
        survey.isAnonymous
          ? eq(surveyAnswers.editPrint, editKey ? context.secrets.fingerprint(`survey|${editKey}`) : "")
          : eq(surveyAnswers.ticketId, ticket.id),
      ),
    );
  if (row) return row;
  const [replied] = await db
    .select()
    .from(surveyReplies)
    .where(and(eq(surveyReplies.occurrenceId, occurrence.id), eq(surveyReplies.ticketId, ticket.id)));
  return replied ? "elsewhere" : null;
}

/**
 * Takes somebody's answers, or changes them. An anonymous answer is joined to nothing: that they answered is kept
 * apart from what, without a time, and only the browser that gave it can change it.
 * @returns what an anonymous answer is changed by; null where a name is
 */
export async function answerSurvey(
  context: Context,
  holder: Holder,
  editKey: string | null,
  rawAnswers: unknown,
): Promise<string | null> {
  const given = parse(surveyAnswersInput, rawAnswers);
  return context.db.transaction(async (tx) => {
    const [survey] = await tx.select().from(surveys).where(eq(surveys.eventId, holder.event.id)).for("share");
    if (!survey?.isOn || !hasBegun(holder) || holder.ticket.role !== "attendee") throw notFound("survey");
    if (context.clock.now() >= closesAt(holder)) throw new Refusal({ code: "survey-closed" });
    const faults = surveyFaults(survey.questions, given);
    if (faults.length > 0)
      throw new Refusal({
        code: "invalid-input",
        issues: faults.map(({ questionId, fault }) => ({ path: questionId, code: fault, facts: { most: 2000 } })),
      });
    const answers = readSurvey(survey.questions, given);
    const { occurrence, ticket, event } = holder;
    const of = { organisationId: event.organisationId, occurrenceId: occurrence.id };
    // of two tabs at once one is first: the other finds that it was answered
    const first = await tx
      .insert(surveyReplies)
      .values({ ...of, ticketId: ticket.id })
      .onConflictDoNothing()
      .returning();
    if (first.length === 0) {
      const own = await ownAnswer(context, tx, holder, survey, editKey);
      if (own === "elsewhere" || own === null) throw new Refusal({ code: "answered-elsewhere" });
      const at = survey.isAnonymous ? null : context.clock.now();
      await tx.update(surveyAnswers).set({ answers, at }).where(eq(surveyAnswers.id, own.id));
      return survey.isAnonymous ? editKey : null;
    }
    if (!survey.isAnonymous) {
      await tx.insert(surveyAnswers).values({ ...of, ticketId: ticket.id, answers, at: context.clock.now() });
      return null;
    }
    const key = context.ids.code(24);
    await tx.insert(surveyAnswers).values({ ...of, answers, editPrint: context.secrets.fingerprint(`survey|${key}`) });
    return key;
  });
}

export interface SurveyResults {
  readonly survey: SurveyRow | null;
  readonly answered: number;
  /** people whom a mail about it reached, or who were there; the base of the rate */
  readonly asked: number;
  /** of a named survey: how many were asked and have not answered; of an anonymous one nobody knows who */
  readonly silent: number | null;
  /** null of an anonymous survey with fewer than five answers */
  readonly results: readonly SurveyResult[] | null;
  readonly groups: readonly { readonly label: string; readonly n: number; readonly results: readonly SurveyResult[] }[];
}

/** Answers in an order that says nothing of when they came. */
const answersOf = (db: Db, occurrenceId: string) =>
  db
    .select()
    .from(surveyAnswers)
    .where(eq(surveyAnswers.occurrenceId, occurrenceId))
    .orderBy(asc(surveyAnswers.id))
    .limit(mostAnswers);

/** What a date's survey has come to so far, cut by a question of choice where one is named. */
export async function surveyResults(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  byQuestion: string | null,
): Promise<SurveyResults> {
  await dateAccess(context, member, eventId, occurrenceId, "event.read");
  const survey = await surveyOf(context.db, eventId);
  const isNamed = survey?.isAnonymous === false;
  const [rows, asked, silent] = await Promise.all([
    answersOf(context.db, occurrenceId),
    askedCount(context.db, occurrenceId),
    isNamed ? unanswered(context.db, occurrenceId).then((ids) => ids.length) : null,
  ]);
  const given = rows.map((row) => row.answers);
  const isTooFew = survey?.isAnonymous === true && given.length < fewestTogether;
  if (!survey || isTooFew)
    return { survey, answered: given.length, asked, silent, results: survey ? null : [], groups: [] };
  const made = (answers: readonly SurveyAnswers[]) =>
    survey.questions.map((one) => surveyResult(one, answers, survey.isSample));
  const by = survey.questions.find((one) => one.id === byQuestion && one.kind === "choice");
  return {
    survey,
    answered: given.length,
    asked,
    silent,
    results: made(given),
    groups: by
      ? surveyGroups(by, given, survey.isAnonymous).map(({ label, answers }) => ({
          label,
          n: answers.length,
          results: made(answers),
        }))
      : [],
  };
}

const cellOf = (answer: SurveyAnswers[string]): Cell => (typeof answer === "object" ? answer.join("; ") : answer);

/** `survey.csv`: a row an answer to a question. Of an anonymous one no row says whose, when, or what else they said. */
export async function surveyFile(db: Db, eventId: string, occurrenceId: string): Promise<string> {
  const survey = await surveyOf(db, eventId);
  const rows = survey ? await answersOf(db, occurrenceId) : [];
  const folk = await folkOf(
    db,
    rows.flatMap((row) => row.ticketId ?? []),
  );
  const isHidden = survey?.isAnonymous === true && rows.length < fewestTogether;
  const lines = isHidden
    ? []
    : (survey?.questions ?? []).flatMap((question) => {
        const given = rows.flatMap((row) => {
          const answer = row.answers[question.id];
          if (answer === undefined) return [];
          const who = row.ticketId ? folk.get(row.ticketId) : undefined;
          return [
            [
              question.label,
              who?.name ?? null,
              who?.email ?? null,
              cellOf(answer),
              row.at === null ? null : iso(row.at),
            ] as Cell[],
          ];
        });
        // each question in an order of its own: no two rows of one person can be laid together
        return survey!.isAnonymous ? given.sort((a, b) => (String(a[3]) < String(b[3]) ? -1 : 1)) : given;
      });
  return csvText(["question", "name", "email", "answer", "at"], lines);
}
