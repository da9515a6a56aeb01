import { and, asc, eq, lt } from "drizzle-orm";
import type { OutwardAct } from "@/core/room";
import { assertNever } from "@/core/shared";
import type { Db } from "../../../db/client";
import { occurrences, roomOutbox, rooms } from "../../../db/schema";
import type { RoomPlace } from "../../../room";
import { audit } from "../audit";
import type { Context } from "../context";
import { layRecording } from "./lay-recording";
import { removeCrowd } from "./crowd-rows";
import { mailAnswers } from "./mail-answers";

/** Lays the outward acts of a decision down in its own transaction: a crash after the commit loses none. */
export async function intoOutbox(
  context: Context,
  tx: Db,
  { roomId, organisationId, now }: RoomPlace,
  actorId: string,
  acts: readonly OutwardAct[],
): Promise<void> {
  if (acts.length === 0) return;
  const rows = acts.map((act) => ({ id: context.ids.id(), organisationId, roomId, actorId, act, at: now }));
  await tx.insert(roomOutbox).values(rows);
}

async function carryOut(context: Context, tx: Db, row: typeof roomOutbox.$inferSelect): Promise<void> {
  const { act, organisationId, actorId, roomId } = row;
  switch (act.act) {
    case "mail-answers":
      return mailAnswers(context, tx, act.questionIds);
    case "remove-crowd": {
      const [room] = await tx.select({ occurrenceId: rooms.occurrenceId }).from(rooms).where(eq(rooms.id, roomId));
      if (!room) return;
      context.crowd.stop(room.occurrenceId);
      return removeCrowd(tx, room.occurrenceId);
    }
    case "keep-recording":
      return layRecording(context, tx, roomId, act.spans);
    case "audit": {
      const [room] = await tx
        .select({ occurrenceId: rooms.occurrenceId, eventId: occurrences.eventId })
        .from(rooms)
        .innerJoin(occurrences, eq(occurrences.id, rooms.occurrenceId))
        .where(eq(rooms.id, roomId));
      if (room) await audit(context, tx, { organisationId, actorId, action: act.action, ...room });
      return;
    }
    default:
      assertNever(act);
  }
}

/**
 * Does what lies in the outbox, each act once: its row goes in the act's own transaction. One that fails
 * stays for the next pass and holds up none behind it.
 * @param roomId only of this room; without it all that have lain for a while
 */
export async function drainOutbox(context: Context, roomId?: string): Promise<number> {
  const which = roomId ? eq(roomOutbox.roomId, roomId) : lt(roomOutbox.at, context.clock.now() - 10_000);
  const due = await context.db
    .select({ id: roomOutbox.id })
    .from(roomOutbox)
    .where(which)
    .orderBy(asc(roomOutbox.at))
    .limit(200);
  let carried = 0;
  for (const { id } of due) {
    try {
      await context.db.transaction(async (tx) => {
        const [row] = await tx
          .delete(roomOutbox)
          .where(and(eq(roomOutbox.id, id)))
          .returning();
        if (row) await carryOut(context, tx, row);
      });
      carried += 1;
    } catch (error) {
      context.log.error("an act of the room's outbox failed", error, { id });
    }
  }
  return carried;
}
