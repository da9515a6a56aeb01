import { and, eq, isNull, sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { showStartedAt } from "@/core/room";
import { countAgain } from "../../db/queries/count-again";
import { occurrences, tickets } from "../../db/schema";
import { Book } from "@/core/shared";
import type { Db } from "../../db/client";
import type { RoomPlace, RoomServer } from "../room-server";

/** An ended date ends everybody's stay: who is alive to that very moment, the others at their last sign. */
const endStays = (tx: Db, { occurrenceId, now }: RoomPlace) =>
  tx.execute(sql`
    update stays set to_at = case when last_sign_at > ${new Date(now - signLostAfterMs).toISOString()}::timestamptz
      then greatest(from_at, ${new Date(now).toISOString()}::timestamptz) else last_sign_at end
    where occurrence_id = ${occurrenceId} and to_at is null`);

export const hourServer: RoomServer = {
  async keep(tx, place, { hour: before }, { hour: after }, entries) {
    const ofDate = eq(occurrences.id, place.occurrenceId);
    const changes = {
      ...(before.phase !== after.phase && { phase: after.phase }),
      ...(before.endedAt !== after.endedAt && { endedAt: after.endedAt }),
      ...(before.doorsOpenedAt !== after.doorsOpenedAt && { doorsOpenedAt: after.doorsOpenedAt }),
    };
    if (Object.keys(changes).length > 0) await tx.update(occurrences).set(changes).where(ofDate);
    // a calendar takes a cancelled entry, or one that holds again, only as a later version of it (RFC 5546 §3.2.5)
    if ((before.phase === "cancelled") !== (after.phase === "cancelled"))
      await tx
        .update(occurrences)
        .set({ sequence: sql`${occurrences.sequence} + 1` })
        .where(ofDate);
    if (before.curtainSpans.length === 0 && after.curtainSpans.length > 0) {
      await tx
        .update(occurrences)
        .set({ showStartedAt: showStartedAt(after) })
        .where(and(ofDate, isNull(occurrences.showStartedAt)));
    }
    for (const [ticketId, , isBarred] of Book.changes(before.barred, after.barred)) {
      await tx
        .update(tickets)
        .set({ barredAt: isBarred ? place.now : null })
        .where(eq(tickets.id, ticketId));
      if (isBarred) {
        await tx.execute(sql`
          update stays set to_at = greatest(from_at, ${new Date(place.now).toISOString()}::timestamptz)
          where occurrence_id = ${place.occurrenceId} and ticket_id = ${ticketId} and to_at is null`);
      }
    }
    if (entries.some(({ body }) => body.type === "hour.ended")) await endStays(tx, place);
    // what of the show counts is another: the date's figures are counted anew
    if (entries.some(({ body }) => body.type === "hour.curtain-struck")) await countAgain(tx, place.occurrenceId);
  },
  recounts: (body) => body.type === "hour.people-let-in",
  wants: (body) => (body.type === "hour.plan-changed" ? [{ part: "event" }, { part: "segments" }] : []),
};
