import { and, eq, sql } from "drizzle-orm";
import { signLostAfterMs, type FactBody } from "@/contracts";
import { isStageRole, verdictBy, type Circumstance } from "@/core/people";
import { roomRights, switchesNow } from "@/core/room";
import { assertNever, Refusal } from "@/core/shared";
import { roomOf } from "../db/queries/journal";
import { loadScene } from "../db/queries/command-scene";
import { questions, questionVotes } from "../db/schema";
import type { FigureChange } from "../room/figures";
import { notFound, type Context } from "./context";
import type { RoomActor } from "./room-commands";

/** Whoever brings a fact: an actor with their organisation. */
export interface FactActor extends RoomActor {
  readonly organisationId: string;
}

/** The room as the process that takes the fact follows it: spares the tables. Null where it does not. */
export interface KnownRoom {
  circumstance(): Circumstance;
  isInside(ticketId: string): boolean;
}

async function circumstanceFromTables(context: Context, occurrenceId: string): Promise<Circumstance> {
  const [scene, room] = await Promise.all([loadScene(context.db, occurrenceId), roomOf(context.db, occurrenceId)]);
  if (!scene) throw notFound("date");
  return { phase: room.hour.phase, switches: switchesNow(room.hour, scene.switches) };
}

/** The foyer and people who are not there at all neither vote nor ask: only who is in the house takes part. */
export async function requireInside(context: Context, who: RoomActor, known: KnownRoom | null): Promise<void> {
  if (isStageRole(who.actor.role) || known?.isInside(who.actorId)) return;
  const alive = new Date(context.clock.now() - signLostAfterMs).toISOString();
  const { rows } = await context.db.execute(sql`
    select 1 from connections where ticket_id = ${who.actorId} and occurrence_id = ${who.occurrenceId}
      and out_at is null and house_from_at is not null and last_sign_at > ${alive} limit 1`);
  if (rows.length === 0) throw new Refusal({ code: "not-inside" });
}

/** The permission table's word on an act that does not go through the room's lock. */
async function requireRight(
  context: Context,
  who: RoomActor,
  type: FactBody["type"],
  known: KnownRoom | null,
): Promise<void> {
  const circumstance = known?.circumstance() ?? (await circumstanceFromTables(context, who.occurrenceId));
  const rule = roomRights[type];
  const said = verdictBy(rule, who.actor, circumstance);
  if (said === "wrong-role") throw new Refusal({ code: "not-allowed", action: type });
  if (said === "wrong-phase") throw new Refusal({ code: "wrong-state", action: type, state: circumstance.phase });
  if (said === "switched-off") throw new Refusal({ code: "switched-off", what: rule.needs?.switch ?? "questions" });
  await requireInside(context, who, known);
}

/**
 * One ballot a person a poll, changeable while the poll is open. The poll's row is held in share mode,
 * so that a ballot either stands before the close or is refused; it is never lost between. One
 * statement: hundreds come within seconds.
 */
async function castBallot(
  context: Context,
  who: FactActor,
  pollId: string,
  optionId: string,
): Promise<FigureChange | null> {
  const at = new Date(context.clock.now()).toISOString();
  const option = JSON.stringify([{ id: optionId }]);
  const { rows } = await context.db.execute(sql`
    with poll as (select id, state, options @> ${option}::jsonb as has_option from polls where id = ${pollId} and occurrence_id = ${who.occurrenceId} for share),
    earlier as (select option_id from ballots where poll_id = ${pollId} and ticket_id = ${who.actorId}),
    cast_one as (
      insert into ballots (poll_id, ticket_id, organisation_id, option_id, at)
      select id, ${who.actorId}, ${who.organisationId}, ${optionId}, ${at}::timestamptz from poll where state = 'open' and has_option
      on conflict (poll_id, ticket_id) do update set option_id = excluded.option_id, at = excluded.at
      returning 1)
    select poll.state, (select count(*)::int from cast_one) as n, (select option_id from earlier) as earlier from poll`);
  const poll = rows[0];
  if (!poll) throw notFound("poll");
  if (poll["n"] !== 1)
    throw new Refusal(poll["state"] === "open" ? { code: "no-such-option" } : { code: "poll-not-open" });
  const from = (poll["earlier"] as string | null) ?? null;
  return who.actor.role === "test-guest" || from === optionId ? null : { of: "tally", pollId, from, to: optionId };
}

/** A vote for a question, or its withdrawal. Nobody votes for their own. */
async function voteQuestion(
  context: Context,
  who: FactActor,
  questionId: string,
  isFor: boolean,
): Promise<FigureChange | null> {
  const [question] = await context.db
    .select({ asker: questions.askerTicketId })
    .from(questions)
    .where(and(eq(questions.id, questionId), eq(questions.occurrenceId, who.occurrenceId)));
  if (!question || question.asker === who.actorId) throw notFound("question");
  const key = { questionId, ticketId: who.actorId };
  const changed = isFor
    ? await context.db
        .insert(questionVotes)
        .values({ ...key, organisationId: who.organisationId, at: context.clock.now() })
        .onConflictDoNothing()
        .returning({ id: questionVotes.questionId })
    : await context.db
        .delete(questionVotes)
        .where(and(eq(questionVotes.questionId, questionId), eq(questionVotes.ticketId, who.actorId)))
        .returning({ id: questionVotes.questionId });
  if (changed.length === 0 || who.actor.role === "test-guest") return null;
  return { of: "votes", questionId, by: isFor ? 1 : -1 };
}

/**
 * One fact: right, then its own table. The caller adds what it changed to the room's figures and tells
 * the other processes once a tick: a NOTIFY in each would make the commits wait for one another.
 */
export async function bringFact(
  context: Context,
  who: FactActor,
  fact: FactBody,
  known: KnownRoom | null = null,
): Promise<FigureChange | null> {
  await requireRight(context, who, fact.type, known);
  switch (fact.type) {
    case "polls.vote":
      return castBallot(context, who, fact.pollId, fact.optionId);
    case "questions.vote":
      return voteQuestion(context, who, fact.questionId, fact.isFor);
    default:
      return assertNever(fact);
  }
}
