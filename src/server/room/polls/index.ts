import { and, eq, sql } from "drizzle-orm";
import type { CommandBody, FactBody, PollPlanInput } from "@/contracts";
import { Book } from "@/core/shared";
import type { Db } from "../../db/client";
import { polls, segments } from "../../db/schema";
import type { RoomPlace, RoomServer } from "../room-server";
import { castBallot, ownBallots } from "./facts";

type Vote = Extract<FactBody, { type: "polls.vote" }>;

const at = (instant: number | null | undefined): string | null =>
  typeof instant === "number" ? new Date(instant).toISOString() : null;

async function add(tx: Db, place: RoomPlace, id: string, poll: PollPlanInput): Promise<void> {
  const { occurrenceId, organisationId } = place;
  const position = sql<number>`(select coalesce(max(p.position) + 1, 0)::int from polls p where p.occurrence_id = ${occurrenceId})`;
  await tx.insert(polls).values({ id, organisationId, occurrenceId, position, ...poll });
}

/** Words of a poll, after the decision said that they may be written. */
async function write(tx: Db, place: RoomPlace, commandId: string, body: CommandBody): Promise<void> {
  if (body.type === "polls.add") return add(tx, place, commandId, body.poll);
  if (body.type !== "polls.edit" && body.type !== "polls.remove") return;
  const here = and(eq(polls.id, body.pollId), eq(polls.occurrenceId, place.occurrenceId));
  if (body.type === "polls.edit") {
    await tx.update(polls).set(body.poll).where(here);
    return;
  }
  const gone = and(eq(segments.pollId, body.pollId), eq(segments.occurrenceId, place.occurrenceId));
  await tx.update(segments).set({ pollId: null }).where(gone);
  await tx.delete(polls).where(here);
}

export const pollsServer: RoomServer = {
  command: ({ commandId, body }) => {
    if (body.type === "polls.add") return { type: body.type, pollId: commandId };
    return body.type === "polls.edit" ? { type: body.type, pollId: body.pollId } : null;
  },
  /** how long the poll that is opened stays open */
  async about(db, { occurrenceId }, body) {
    if (body.type !== "polls.open") return null;
    const [poll] = await db
      .select({ limitSeconds: polls.limitSeconds })
      .from(polls)
      .where(and(eq(polls.id, body.pollId), eq(polls.occurrenceId, occurrenceId)));
    return poll ?? null;
  },
  write: (tx, place, { commandId, body }) => write(tx, place, commandId, body),
  async keep(tx, _place, before, after) {
    const changed = [...Book.changes(before.polls.polls, after.polls.polls)].flatMap(([id, , is]) => {
      if (!is) return [];
      const times = { opened: at(is.openedAt), closed: at(is.closedAt), closes: at(is.closesAt) };
      return [{ id, state: is.state, revealed: is.isRevealed, ...times }];
    });
    if (changed.length === 0) return;
    await tx.execute(sql`
      update polls p set state = c.state, is_revealed = c.revealed, opened_at = c.opened, closed_at = c.closed, closes_at = c.closes
      from jsonb_to_recordset(${JSON.stringify(changed)}::jsonb)
        as c(id uuid, state text, revealed boolean, opened timestamptz, closed timestamptz, closes timestamptz)
      where p.id = c.id`);
  },
  fact: (db, place, fact) => castBallot(db, place, fact as Vote),
  own: ownBallots,
  wants: ({ type }) => {
    if (type === "polls.removed") return [{ part: "polls" }, { part: "segments" }];
    return type === "polls.added" || type === "polls.edited" ? [{ part: "polls" }] : [];
  },
};
