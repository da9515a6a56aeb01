import { and, eq, sql } from "drizzle-orm";
import type { OwnParts } from "@/core/room";
import { groupBy, Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { anyOf } from "../../db/queries/any-of";
import { ballots, polls } from "../../db/schema";
import type { FactOutcome, FactPlace } from "../room-server";

/**
 * One ballot a person a poll, changeable while the poll is open. The poll's row is held in share mode,
 * so that a ballot either stands before the close or is refused; it is never lost between. One
 * statement: hundreds come within seconds.
 */
export async function castBallot(db: Db, place: FactPlace, pollId: string, optionId: string): Promise<FactOutcome> {
  const { occurrenceId, organisationId, actorId, actor } = place;
  const at = new Date(place.now).toISOString();
  const option = JSON.stringify([{ id: optionId }]);
  const { rows } = await db.execute(sql`
    with poll as (select id, state, options @> ${option}::jsonb as has_option from polls where id = ${pollId} and occurrence_id = ${occurrenceId} for share),
    earlier as (select option_id from ballots where poll_id = ${pollId} and ticket_id = ${actorId}),
    cast_one as (
      insert into ballots (poll_id, ticket_id, organisation_id, option_id, at)
      select id, ${actorId}, ${organisationId}, ${optionId}, ${at}::timestamptz from poll where state = 'open' and has_option
      on conflict (poll_id, ticket_id) do update set option_id = excluded.option_id, at = excluded.at
      returning 1)
    select poll.state, (select count(*)::int from cast_one) as n, (select option_id from earlier) as earlier from poll`);
  const poll = rows[0];
  if (!poll) throw new Refusal({ code: "not-found", what: "poll" });
  if (poll["n"] !== 1)
    throw new Refusal(poll["state"] === "open" ? { code: "no-such-option" } : { code: "poll-not-open" });
  const from = (poll["earlier"] as string | null) ?? null;
  const isCounted = actor.role !== "test-guest" && from !== optionId;
  return { figure: isCounted ? { of: "tally", pollId, from, to: optionId } : null };
}

/** How each of several people voted. */
export async function ownBallots(
  db: Db,
  occurrenceId: string,
  ticketIds: readonly string[],
): Promise<ReadonlyMap<string, OwnParts>> {
  const rows = await db
    .select({ ticketId: ballots.ticketId, pollId: ballots.pollId, optionId: ballots.optionId })
    .from(ballots)
    .innerJoin(polls, eq(polls.id, ballots.pollId))
    .where(and(anyOf(ballots.ticketId, ticketIds), eq(polls.occurrenceId, occurrenceId)));
  const by = groupBy(rows, (row) => row.ticketId);
  const own = (id: string) => Object.fromEntries((by.get(id) ?? []).map((row) => [row.pollId, row.optionId]));
  return new Map(ticketIds.map((id) => [id, { polls: { ballots: own(id) } }]));
}
