import { and, eq, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { notifyJournal } from "../../db/notify";
import { occurrences, rooms } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { wrongInput, type Context } from "../ground/context";
import { settleSeats } from "../organisation/seats";

const mostMinutes = 120;

/**
 * Moves the planned end of a date that is on, where its licence is free for so long (rule 3).
 * @param seenEndAt the end that was seen: of two people one extends, the other is told
 * @throws seats-clash with what stands in the way; nothing is changed then
 */
export async function extendDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  minutes: number,
  seenEndAt: number,
): Promise<void> {
  if (!Number.isInteger(minutes) || minutes < 1 || minutes > mostMinutes) throw wrongInput("minutes", "not-whole");
  const access = await dateAccess(context, member, eventId, occurrenceId, "hour.end");
  const { organisationId } = access.event;
  await context.db.transaction(async (tx) => {
    // the room first, as everywhere
    await tx.select({ id: rooms.id }).from(rooms).where(eq(rooms.occurrenceId, occurrenceId)).for("no key update");
    const moved = await tx
      .update(occurrences)
      .set({
        durationMinutes: sql`${occurrences.durationMinutes} + ${minutes}`,
        endAt: seenEndAt + minutes * minuteMs,
      })
      .where(and(eq(occurrences.id, occurrenceId), eq(occurrences.endAt, seenEndAt)))
      .returning({ id: occurrences.id });
    if (moved.length === 0) throw new Refusal({ code: "edited-meanwhile", currentVersion: access.occurrence.endAt });
    await settleSeats(context, tx, organisationId, new Set([occurrenceId]));
    await audit(context, tx, { organisationId, actorId: member.userId, action: "hour.extend", eventId, occurrenceId });
    await notifyJournal(tx, occurrenceId);
  });
}
