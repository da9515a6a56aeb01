import { and, asc, eq, inArray } from "drizzle-orm";
import type { PersonalPart } from "@/core/room";
import { groupBy } from "@/core/shared";
import type { Db } from "../db/client";
import { ballots, polls, questions, questionVotes } from "../db/schema";

export type PersonalFacts = Pick<PersonalPart, "ballots" | "votes" | "questions">;

const mostQuestionsEach = 100;

/** Ballots, votes and questions of several people in a date, each their own: one read for all of them. */
export async function personalFacts(
  db: Db,
  occurrenceId: string,
  ticketIds: readonly string[],
): Promise<ReadonlyMap<string, PersonalFacts>> {
  const ids = [...ticketIds];
  const [cast, voted, asked] = await Promise.all([
    db
      .select({ ticketId: ballots.ticketId, pollId: ballots.pollId, optionId: ballots.optionId })
      .from(ballots)
      .innerJoin(polls, eq(polls.id, ballots.pollId))
      .where(and(inArray(ballots.ticketId, ids), eq(polls.occurrenceId, occurrenceId))),
    db
      .select({ ticketId: questionVotes.ticketId, questionId: questionVotes.questionId })
      .from(questionVotes)
      .where(inArray(questionVotes.ticketId, ids))
      .limit(ids.length * 1000),
    db
      .select({
        ticketId: questions.askerTicketId,
        id: questions.id,
        text: questions.text,
        state: questions.state,
        answer: questions.answer,
      })
      .from(questions)
      .where(and(eq(questions.occurrenceId, occurrenceId), inArray(questions.askerTicketId, ids)))
      .orderBy(asc(questions.askedAt))
      .limit(ids.length * mostQuestionsEach),
  ]);
  const of = <R extends { ticketId: string }>(rows: readonly R[]): ReadonlyMap<string, R[]> =>
    groupBy(rows, (row) => row.ticketId);
  const [castOf, votedOf, askedOf] = [of(cast), of(voted), of(asked)];
  return new Map(
    ids.map((id) => [
      id,
      {
        ballots: Object.fromEntries((castOf.get(id) ?? []).map((row) => [row.pollId, row.optionId])),
        votes: (votedOf.get(id) ?? []).map((row) => row.questionId),
        questions: (askedOf.get(id) ?? [])
          .slice(-mostQuestionsEach)
          .map(({ id: questionId, text, state, answer }) => ({ id: questionId, text, state, answer })),
      },
    ]),
  );
}
