import { and, asc, eq, sql } from "drizzle-orm";
import { alias } from "drizzle-orm/pg-core";
import type { OwnParts, RoomState } from "@/core/room";
import { groupBy, Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { anyOf, idArray } from "../../db/queries/any-of";
import { questions, questionVotes } from "../../db/schema";
import type { FactOutcome, FactPlace } from "../room-server";

/**
 * A vote for a question, or its withdrawal. Nobody votes for their own, and of questions that are asked together
 * everybody counts once: what is voted for is all of them.
 */
export async function voteQuestion(db: Db, place: FactPlace, questionId: string, isFor: boolean): Promise<FactOutcome> {
  const { rows } = await db.execute(sql`
    select q.id, q.asker_ticket_id as asker, coalesce(asked.merged_into, asked.id) as main
    from questions asked join questions q
      on q.id = coalesce(asked.merged_into, asked.id) or q.merged_into = coalesce(asked.merged_into, asked.id)
    where asked.id = ${questionId} and asked.occurrence_id = ${place.occurrenceId} and q.occurrence_id = ${place.occurrenceId}`);
  const together = rows as unknown as readonly { id: string; asker: string; main: string }[];
  if (together.length === 0 || together.some(({ asker }) => asker === place.actorId))
    throw new Refusal({ code: "not-found", what: "question" });
  const ids = together.map(({ id }) => id);
  const own = and(anyOf(questionVotes.questionId, ids), eq(questionVotes.ticketId, place.actorId));
  const { main } = together[0]!;
  const about = { ticketId: place.actorId, organisationId: place.organisationId, at: place.now };
  const earlier = ids.length > 1 && isFor ? await db.$count(questionVotes, own) : 0;
  const changed = !isFor
    ? await db.delete(questionVotes).where(own).returning({ id: questionVotes.questionId })
    : earlier > 0
      ? []
      : await db
          .insert(questionVotes)
          .values({ ...about, questionId: main })
          .onConflictDoNothing()
          .returning({ id: questionVotes.questionId });
  if (changed.length === 0 || place.actor.role === "test-guest") return {};
  return { figure: { of: "votes", questionId: main, by: isFor ? 1 : -1 } };
}

const mostQuestionsEach = 100;

/** What several people voted for and asked; of what is asked together, what became of all of it. */
function askedAndVoted(db: Db, occurrenceId: string, ids: readonly string[]) {
  const main = alias(questions, "main_question");
  return Promise.all([
    db
      .selectDistinct({
        ticketId: questionVotes.ticketId,
        questionId: sql<string>`coalesce(${questions.mergedInto}, ${questions.id})`,
      })
      .from(questionVotes)
      .innerJoin(questions, eq(questions.id, questionVotes.questionId))
      .where(and(anyOf(questionVotes.ticketId, ids), eq(questions.occurrenceId, occurrenceId)))
      .limit(ids.length * 1000),
    db
      .select({
        ticketId: questions.askerTicketId,
        id: questions.id,
        text: questions.text,
        state: sql<(typeof questions.$inferSelect)["state"]>`coalesce(${main.state}, ${questions.state})`,
        answer: sql<string | null>`coalesce(${main.answer}, ${questions.answer})`,
      })
      .from(questions)
      .leftJoin(main, eq(main.id, questions.mergedInto))
      .where(and(eq(questions.occurrenceId, occurrenceId), anyOf(questions.askerTicketId, ids)))
      .orderBy(asc(questions.askedAt))
      .limit(ids.length * mostQuestionsEach),
  ]);
}

/** What each of several people asked and voted for. */
export async function ownQuestions(
  db: Db,
  occurrenceId: string,
  ids: readonly string[],
  { questions: known }: RoomState,
): Promise<ReadonlyMap<string, OwnParts>> {
  const [voted, asked] = known.asked.size === 0 ? [[], []] : await askedAndVoted(db, occurrenceId, ids);
  const [votedOf, askedOf] = [groupBy(voted, (row) => row.ticketId), groupBy(asked, (row) => row.ticketId)];
  const own = (id: string) => ({
    votes: (votedOf.get(id) ?? []).map((row) => row.questionId),
    asked: (askedOf.get(id) ?? []).slice(-mostQuestionsEach).map(({ ticketId: _, ...question }) => question),
  });
  return new Map(ids.map((id) => [id, { questions: own(id) }]));
}

/** Whose own part two questions are in: those who asked and voted for them. */
export async function peopleOf(db: Db, questionIds: readonly string[]): Promise<readonly string[]> {
  const { rows } = await db.execute(sql`
    select asker_ticket_id as id from questions where id = any(${idArray(questionIds)})
    union select ticket_id from question_votes where question_id = any(${idArray(questionIds)})`);
  return rows.map((row) => String(row["id"]));
}
