import { and, asc, eq, inArray } from "drizzle-orm";
import { movesUp } from "@/core/seats";
import type { Db } from "../../db/client";
import { events, occurrences, tickets } from "../../db/schema";
import type { Context } from "../ground/context";
import { holdPlaces } from "./places";
import { aboutTicket, planMessages, planReminders } from "../ground/mail-plan";

/**
 * Moves the longest waiting up while places are free, and writes to each of them. The date's
 * places are held meanwhile, so no two move the same person up.
 */
export async function moveUpWaiting(
  context: Context,
  db: Db,
  event: typeof events.$inferSelect,
  occurrence: typeof occurrences.$inferSelect,
): Promise<number> {
  const taken = await holdPlaces(db, occurrence.id);
  const waiting = await db
    .select()
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, occurrence.id), eq(tickets.status, "waiting")))
    .orderBy(asc(tickets.waitingSince), asc(tickets.id));
  const free = movesUp(taken, waiting.length, event.registrationLimit);
  const lucky = waiting.slice(0, free);
  if (lucky.length === 0) return 0;
  await db
    .update(tickets)
    .set({ status: "registered", waitingSince: null })
    .where(
      inArray(
        tickets.id,
        lucky.map((ticket) => ticket.id),
      ),
    );
  const dueAt = context.clock.now();
  await planMessages(
    context,
    db,
    lucky.map((ticket) => ({ ...aboutTicket(ticket, occurrence), kind: "waiting-list-place", dueAt })),
  );
  await planReminders(context, db, event.reminderOffsetsMinutes, [occurrence], lucky);
  return lucky.length;
}
