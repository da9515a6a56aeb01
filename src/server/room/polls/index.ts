import { sql } from "drizzle-orm";
import { Book } from "@/core/shared";
import { polls } from "../../db/schema";
import type { FactBody } from "@/contracts";
import type { RoomServer } from "../room-server";
import { castBallot, ownBallots } from "./facts";

type Vote = Extract<FactBody, { type: "polls.vote" }>;

const at = (instant: number | null): string | null => (instant === null ? null : new Date(instant).toISOString());

export const pollsServer: RoomServer = {
  command: ({ commandId, body }) => (body.type === "polls.add" ? { type: body.type, pollId: commandId } : null),
  async write(tx, { organisationId, occurrenceId }, { commandId, body }) {
    if (body.type !== "polls.add") return;
    const options = body.options.map((label, i) => ({ id: `o${i + 1}`, label }));
    const position = sql<number>`(select count(*)::int from polls p where p.occurrence_id = ${occurrenceId})`;
    const about = { id: commandId, organisationId, occurrenceId, position };
    await tx.insert(polls).values({ ...about, question: body.question, options });
  },
  async keep(tx, _place, before, after) {
    const changed = [...Book.changes(before.polls.polls, after.polls.polls)].flatMap(([id, , is]) =>
      is ? [{ id, state: is.state, revealed: is.isRevealed, opened: at(is.openedAt), closed: at(is.closedAt) }] : [],
    );
    if (changed.length === 0) return;
    await tx.execute(sql`
      update polls p set state = c.state, is_revealed = c.revealed, opened_at = c.opened, closed_at = c.closed
      from jsonb_to_recordset(${JSON.stringify(changed)}::jsonb)
        as c(id uuid, state text, revealed boolean, opened timestamptz, closed timestamptz)
      where p.id = c.id`);
  },
  fact: (db, place, fact) => castBallot(db, place, (fact as Vote).pollId, (fact as Vote).optionId),
  own: ownBallots,
  wants: (body) => (body.type === "polls.added" ? [{ part: "polls" }] : []),
};
