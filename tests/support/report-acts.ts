import type { Action } from "@/core/rights";
import { changeCredit, issueCredit } from "@/server/services/afterwards/credit";
import { postStatements } from "@/server/services/afterwards/record-store";
import { correctEntry, markAsTest, mergeLines, undoCorrection } from "@/server/services/afterwards/correct";
import { findLines } from "@/server/services/afterwards/people-of-date";
import { draftForPeopleOfDate, fileOfPeople, noteOfDate } from "@/server/services/afterwards/people-acts";
import { mailWhoLeft, stretchOfDate } from "@/server/services/afterwards/stretch";
import { makeSummaryLink, revokeSummaryLink } from "@/server/services/afterwards/summary-links";
import { remindOfSurvey } from "@/server/services/afterwards/survey-asked";
import { saveSurvey } from "@/server/services/afterwards/survey";
import type { TeamMember } from "@/server/services/ground/access";
import type { Context } from "@/server/services/ground/context";
import type { MadeEvent } from "./world";

const nobody = "00000000-0000-4000-8000-000000000000";

type Get = () => { readonly context: Context; readonly about: MadeEvent };
type Acts = Readonly<Record<string, { needs: Action; call: (member: TeamMember) => Promise<unknown> }>>;
type Run<R> = (context: Context, member: TeamMember, eventId: string, date: string) => R;
const ofDate =
  (get: Get) =>
  <R>(run: Run<R>) =>
  (member: TeamMember) => {
    const { context, about } = get();
    return run(context, member, about.eventId, about.occurrenceId) as Promise<unknown>;
  };

/** What a report's pages do, each with the right that it needs. */
export const reportActs = (get: Get): Acts => ({ ...peopleActs(get), ...sharedActs(get) });

function peopleActs(get: Get): Acts {
  const of = ofDate(get);
  const span = { from: 1, to: 60_000 };
  return {
    stretchAction: { needs: "event.read", call: of((c, m, id, date) => stretchOfDate(c, m, id, date, span)) },
    mailLeftAction: { needs: "event.mailings", call: of((c, m, id, date) => mailWhoLeft(c, m, id, date, span)) },
    mailPeopleAction: {
      needs: "event.mailings",
      call: of((c, m, id, date) => draftForPeopleOfDate(c, m, id, date, ["x"])),
    },
    remindOfSurveyAction: { needs: "event.mailings", call: of((c, m, id, date) => remindOfSurvey(c, m, id, date)) },
    noteOfDateAction: {
      needs: "event.people",
      call: of((c, m, id, date) => noteOfDate(c, m, id, date, { keys: ["x"], text: "x" })),
    },
    filePeopleAction: { needs: "event.exports", call: of((c, m, id, date) => fileOfPeople(c, m, id, date, ["x"])) },
    mergeLinesAction: {
      needs: "report.correct",
      call: of((c, m, eventId, occurrenceId) =>
        mergeLines(c, m, { eventId, occurrenceId }, { personKey: "x", intoKey: "y" }),
      ),
    },
    findLinesAction: { needs: "report.correct", call: of((c, m, id, date) => findLines(c, m, id, date, "x", "")) },
    markAsTestAction: {
      needs: "report.correct",
      call: of((c, m, eventId, occurrenceId) => markAsTest(c, m, { eventId, occurrenceId }, { personKey: "x" })),
    },
    correctEntryAction: {
      needs: "report.correct",
      call: of((c, m, eventId, occurrenceId) =>
        correctEntry(c, m, { eventId, occurrenceId }, { entryKey: "x", inAt: 1, outAt: 2, reason: "x" }),
      ),
    },
    undoCorrectionAction: {
      needs: "report.correct",
      call: of((c, m, eventId, occurrenceId) => undoCorrection(c, m, { eventId, occurrenceId }, nobody)),
    },
  };
}

function sharedActs(get: Get): Acts {
  const of = ofDate(get);
  return {
    issueCreditAction: { needs: "credit.issue", call: of((c, m, id, date) => issueCredit(c, m, id, date)) },
    postStatementsAction: { needs: "credit.issue", call: of((c, m, id, date) => postStatements(c, m, id, date)) },
    changeCreditAction: {
      needs: "credit.issue",
      call: of((c, m, id, date) =>
        changeCredit(c, m, id, date, { creditId: nobody, points: 1, isWithdrawn: false, why: "x" }),
      ),
    },
    makeSummaryLinkAction: {
      needs: "report.share",
      call: of((c, m, id, date) => makeSummaryLink(c, m, id, date, { withNames: false, days: 7 })),
    },
    revokeSummaryLinkAction: {
      needs: "report.share",
      call: of((c, m, id, date) => revokeSummaryLink(c, m, id, date, nobody)),
    },
    saveSurveyAction: { needs: "survey.edit", call: of((c, m, id) => saveSurvey(c, m, id, 7, {})) },
  };
}
