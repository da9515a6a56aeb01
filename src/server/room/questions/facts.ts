import { and, asc, eq } from "drizzle-orm";
import type { OwnParts } from "@/core/room";
import { groupBy, Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { anyOf } from "../../db/queries/any-of";
import { questions, questionVotes } from "../../db/schema";
import type { FactOutcome, FactPlace } from "../room-server";

/** A vote for a question, or its withdrawal. Nobody votes for their own. */
export async function voteQuestion(db: Db, place: FactPlace, questionId: string, isFor: boolean): Promise<FactOutcome> {
  const [question] = await db
    .select({ asker: questions.askerTicketId })
    .from(questions)
    .where(and(eq(questions.id, questionId), eq(questions.occurrenceId, place.occurrenceId)));
  if (!question || question.asker === place.actorId) throw new Refusal({ code: "not-found", what: "question" });
  const key = { questionId, ticketId: place.actorId };
  const changed = isFor
    ? await db
        .insert(questionVotes)
        .values({ ...key, organisationId: place.organisationId, at: place.now })
        .onConflictDoNothing()
        .returning({ id: questionVotes.questionId })
    : await db
        .delete(questionVotes)
        .where(and(eq(questionVotes.questionId, questionId), eq(questionVotes.ticketId, place.actorId)))
        .returning({ id: questionVotes.questionId });
  if (changed.length === 0 || place.actor.role === "test-guest") return {};
  return { figure: { of: "votes", questionId, by: isFor ? 1 : -1 } };
}

const mostQuestionsEach = 100;

/** What each of several people asked and voted for. */
export async function ownQuestions(
  db: Db,
  occurrenceId: string,
  ticketIds: readonly string[],
): Promise<ReadonlyMap<string, OwnParts>> {
  const ids = [...ticketIds];
  const [voted, asked] = await Promise.all([
    db
      .select({ ticketId: questionVotes.ticketId, questionId: questionVotes.questionId })
      .from(questionVotes)
      .where(anyOf(questionVotes.ticketId, ids))
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
      .where(and(eq(questions.occurrenceId, occurrenceId), anyOf(questions.askerTicketId, ids)))
      .orderBy(asc(questions.askedAt))
      .limit(ids.length * mostQuestionsEach),
  ]);
  const [votedOf, askedOf] = [groupBy(voted, (row) => row.ticketId), groupBy(asked, (row) => row.ticketId)];
  const own = (id: string) => ({
    votes: (votedOf.get(id) ?? []).map((row) => row.questionId),
    asked: (askedOf.get(id) ?? []).slice(-mostQuestionsEach).map(({ ticketId: _, ...question }) => question),
  });
  return new Map(ids.map((id) => [id, { questions: own(id) }]));
}
