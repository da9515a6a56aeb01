import { and, asc, eq, inArray } from "drizzle-orm";
import { noVoteId, resultOf, tallyOf, type Choice, type PollQuestion } from "@/core/polls";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { isCounted } from "../../db/queries/counted";
import { ballots, polls } from "../../db/schema";
import { csvText, type Cell } from "../ground/delimited";
import { iso } from "./moments";
import { namesByTicket } from "./names-by-ticket";

type Cast = typeof ballots.$inferSelect;

async function pollRows(db: Db, occurrenceId: string) {
  const prepared = await db
    .select()
    .from(polls)
    .where(eq(polls.occurrenceId, occurrenceId))
    .orderBy(asc(polls.position))
    .limit(100);
  const ids = prepared.map((poll) => poll.id);
  const cast =
    ids.length === 0
      ? []
      : await db
          .select()
          .from(ballots)
          .where(and(inArray(ballots.pollId, ids), isCounted(ballots.ticketId)))
          .orderBy(asc(ballots.at));
  return { prepared, cast: groupBy(cast, (ballot) => `${ballot.pollId} ${ballot.questionId}`) };
}
const ofQuestion = (cast: ReadonlyMap<string, readonly Cast[]>, pollId: string, questionId: string): readonly Cast[] =>
  cast.get(`${pollId} ${questionId}`) ?? [];

const decimals = (value: number | null): string => (value === null ? "" : String(Math.round(value * 1000) / 1000));

/** One question's lines. Of a ranking the votes are first places, and the points Borda's. */
function questionLines(question: PollQuestion, isSample: boolean, cast: readonly Cast[]): Cell[][] {
  const choices = cast.map(({ choice }) => ({ choice, people: 1 }));
  const result = resultOf(question, tallyOf(question, choices), isSample);
  const firsts = choices.map(({ choice }) => ({ choice: choice.slice(0, 1), people: 1 }));
  const first = resultOf({ ...question, kind: "one-choice" }, tallyOf({ kind: "one-choice" }, firsts));
  return result.lines.map((line, i) => {
    const votes = question.kind === "ranking" ? first.lines[i]! : line;
    return [
      line.label,
      votes.count,
      votes.percentForFiles,
      result.voters,
      decimals(result.mean),
      decimals(result.median),
      question.kind === "ranking" ? line.count : "",
      question.kind === "quiz" ? (line.isRight ? "yes" : "no") : "",
      decimals(line.interval?.low ?? null),
      decimals(line.interval?.high ?? null),
    ];
  });
}

const pollColumns = [
  ...["poll", "kind", "question", "option", "votes", "percent", "voters"],
  ...["mean", "median", "points", "right", "low", "high"],
];
export async function pollsFile(db: Db, occurrenceId: string): Promise<string> {
  const { prepared, cast } = await pollRows(db, occurrenceId);
  const rows = prepared.flatMap((poll, i) =>
    poll.questions.flatMap((question) =>
      questionLines(question, poll.isSample, ofQuestion(cast, poll.id, question.id)).map((line): Cell[] => [
        i + 1,
        question.kind,
        question.text,
        ...line,
      ]),
    ),
  );
  return csvText(pollColumns, rows);
}

/** A choice in the options' own words; an order reads from first to last. */
function choiceWords(question: PollQuestion, choice: Choice): string {
  const label = (id: string) =>
    id === noVoteId ? "No vote" : (question.options.find((option) => option.id === id)?.label ?? id);
  return choice.map(label).join(question.kind === "ranking" ? " > " : "; ");
}

export async function ballotsFile(db: Db, occurrenceId: string): Promise<string> {
  const { prepared, cast } = await pollRows(db, occurrenceId);
  const names = await namesByTicket(db, occurrenceId);
  const rows = prepared.flatMap((poll, i) =>
    poll.questions.flatMap((question) => {
      const own = ofQuestion(cast, poll.id, question.id).map((ballot) => ({
        ballot,
        words: choiceWords(question, ballot.choice),
      }));
      // nothing of the order in which an anonymous poll was answered is told
      if (poll.isAnonymous) own.sort((a, b) => (a.words < b.words ? -1 : a.words > b.words ? 1 : 0));
      return own.map(({ ballot, words }): Cell[] => {
        const voter = poll.isAnonymous ? undefined : names.get(ballot.ticketId);
        const at = poll.isAnonymous ? "" : iso(ballot.at);
        return [i + 1, question.text, voter?.name ?? "", voter?.email ?? "", words, at];
      });
    }),
  );
  return csvText(["poll", "question", "name", "email", "choice", "at"], rows);
}
