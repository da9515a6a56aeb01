import { and, eq, sql } from "drizzle-orm";
import { verdict, type Action, type Circumstance } from "@/core/people";
import { Refusal } from "@/core/shared";
import { events, occurrences, questions, questionVotes } from "../db/schema";
import { notFound, type Context } from "./context";
import type { RoomActor } from "./room-commands";

async function circumstanceFromTables(context: Context, occurrenceId: string): Promise<Circumstance> {
  const [row] = await context.db
    .select({ phase: occurrences.phase, questionsOn: events.questionsOn, pollsOn: events.pollsOn })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(occurrences.id, occurrenceId));
  if (!row) throw notFound("date");
  return row;
}

/** Whoever brings a fact: an actor with their organisation. */
export interface FactActor extends RoomActor {
  readonly organisationId: string;
}

/**
 * The permission table's word on an act that does not go through the room's lock.
 * @param known the room as this process follows it; read from the tables where it does not
 */
async function requireRight(
  context: Context,
  who: RoomActor,
  action: Action,
  known: Circumstance | null,
): Promise<void> {
  const circumstance = known ?? (await circumstanceFromTables(context, who.occurrenceId));
  const said = verdict(who.actor, action, circumstance);
  if (said === "wrong-role") throw new Refusal({ code: "not-allowed", action });
  if (said === "wrong-phase") throw new Refusal({ code: "wrong-state", action, state: circumstance.phase });
  if (said === "switched-off")
    throw new Refusal({ code: "switched-off", what: action === "poll.vote" ? "polls" : "questions" });
}

/**
 * One ballot a person a poll, changeable while the poll is open. The poll's row is held in share mode,
 * so that a ballot either stands before the close or is refused; it is never lost between. One
 * statement: hundreds come within seconds. The caller tells the hub, which tells every process once a
 * tick: a NOTIFY in each would make the commits wait for one another.
 */
export async function castBallot(
  context: Context,
  who: FactActor,
  pollId: string,
  optionId: string,
  known: Circumstance | null = null,
): Promise<void> {
  await requireRight(context, who, "poll.vote", known);
  const at = new Date(context.clock.now()).toISOString();
  const option = JSON.stringify([{ id: optionId }]);
  const { rows } = await context.db.execute(sql`
    with poll as (select id, state, options @> ${option}::jsonb as has_option from polls where id = ${pollId} and occurrence_id = ${who.occurrenceId} for share),
    cast_one as (
      insert into ballots (poll_id, ticket_id, organisation_id, option_id, at)
      select id, ${who.actorId}, ${who.organisationId}, ${optionId}, ${at}::timestamptz from poll where state = 'open' and has_option
      on conflict (poll_id, ticket_id) do update set option_id = excluded.option_id, at = excluded.at
      returning 1)
    select poll.state, poll.has_option, (select count(*)::int from cast_one) as n from poll`);
  const poll = rows[0];
  if (!poll) throw notFound("poll");
  if (poll["n"] === 1) return;
  throw new Refusal(poll["state"] === "open" ? { code: "no-such-option" } : { code: "poll-not-open" });
}

/** A vote for a question, or its withdrawal. Nobody votes for their own. */
export async function voteQuestion(
  context: Context,
  who: FactActor,
  questionId: string,
  isFor: boolean,
  known: Circumstance | null = null,
): Promise<void> {
  await requireRight(context, who, "question.vote", known);
  const [question] = await context.db
    .select({ asker: questions.askerTicketId })
    .from(questions)
    .where(and(eq(questions.id, questionId), eq(questions.occurrenceId, who.occurrenceId)));
  if (!question || question.asker === who.actorId) throw notFound("question");
  const key = { questionId, ticketId: who.actorId };
  if (isFor)
    await context.db
      .insert(questionVotes)
      .values({ ...key, organisationId: who.organisationId, at: context.clock.now() })
      .onConflictDoNothing();
  else await context.db.delete(questionVotes).where(sql`question_id = ${questionId} and ticket_id = ${who.actorId}`);
}
