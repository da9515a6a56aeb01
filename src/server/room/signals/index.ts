import { sql } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import { signalEveryMs } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { RoomServer } from "../room-server";

type Give = Extract<FactBody, { type: "signals.give" }>;

export const signalsServer: RoomServer = {
  /** One signal of a kind a person each so often: another within that is as good as given. */
  async fact(db, { occurrenceId, organisationId, actorId, actor, now }, fact) {
    const { kind } = fact as Give;
    const [at, since] = [new Date(now).toISOString(), new Date(now - signalEveryMs).toISOString()];
    const { rows } = await db.execute(sql`
      insert into signals (room_id, organisation_id, kind, ticket_id, at)
      select r.id, ${organisationId}, ${kind}, ${actorId}, ${at}::timestamptz from rooms r
      where r.occurrence_id = ${occurrenceId} and r.parent_id is null and not exists (
        select 1 from signals s where s.room_id = r.id and s.ticket_id = ${actorId} and s.kind = ${kind} and s.at > ${since}::timestamptz)
      on conflict do nothing returning 1`);
    if (rows.length === 0) throw new Refusal({ code: "already-done", action: "signals.give" });
    // a test guest's stands in the table and in no figure
    return actor.role === "attendee" ? { figure: { of: "signal", signal: { kind, ticketId: actorId, at: now } } } : {};
  },
};
