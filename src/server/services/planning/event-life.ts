import { Refusal } from "@/core/shared";
import { eq, and, sql, isNotNull, lte, ne } from "drizzle-orm";
import { isOver } from "@/core/people";
import { notifyJournals } from "../../db/notify";
import { events, messages, tickets } from "../../db/schema";
import { type TeamMember, accessFor } from "../ground/access";
import { audit } from "../ground/audit";
import { type Context, oneOf } from "../ground/context";
import { hearersCount } from "../ground/date-notices";
import { applyExtent } from "./dates/extents";
import { allDatesOf, datesOf } from "./dates/load";
import { settleSeats } from "../organisation/seats";

/** Opens the front door to the public, or closes it again. */

export async function publishEvent(
  context: Context,
  member: TeamMember,
  eventId: string,
  isPublished: boolean,
): Promise<void> {
  const access = await accessFor(context, member, eventId, "event.plan");
  const publishedAt = isPublished ? (access.event.publishedAt ?? context.clock.now()) : null;
  await context.db.transaction(async (tx) => {
    await tx.update(events).set({ publishedAt }).where(eq(events.id, eventId));
    const action = isPublished ? "event.publish" : "event.unpublish";
    await audit(context, tx, { organisationId: access.event.organisationId, actorId: member.userId, action, eventId });
    // rooms that are open know whether there is a page to read together
    await notifyJournals(
      tx,
      (await datesOf(tx, eventId)).filter(({ phase }) => !isOver(phase)).map(({ id }) => id),
    );
  });
}
/** Why a mail waits whose event is in the bin. */
const heldByBin = "event deleted";

/** The event's dates that are still to come. */
const comingDates = async (context: Context, eventId: string) =>
  (await datesOf(context.db, eventId)).filter(
    (date) => date.phase === "scheduled" && date.startAt > context.clock.now(),
  );

/** How many would hear of it if the event were deleted with word to everybody. */
export async function hearersOfEvent(context: Context, member: TeamMember, eventId: string): Promise<number> {
  await accessFor(context, member, eventId, "event.plan");
  const coming = await comingDates(context, eventId);
  return coming.length > 0 ? hearersCount(context.db, coming) : 0;
}

/**
 * Into the bin for a week (rule 5), its planned mails with it. A date that is live cannot go.
 * @param tellPeople its coming dates are cancelled first, and whoever is registered or on stage hears of it
 */
export async function deleteEvent(
  context: Context,
  member: TeamMember,
  eventId: string,
  tellPeople = false,
): Promise<void> {
  const access = await accessFor(context, member, eventId, "event.plan");
  const live = (await allDatesOf(context.db, eventId)).find((one) => one.phase === "open" || one.phase === "backstage");
  if (live) throw new Refusal({ code: "wrong-state", action: "event.delete", state: live.phase });
  const coming = await comingDates(context, eventId);
  if (tellPeople && coming.length > 0) {
    const input = { markedIds: coming.map((date) => date.id), change: { kind: "call-off" as const } };
    await applyExtent(context, member, eventId, input, true);
  }
  await context.db.transaction(async (tx) => {
    await tx.update(events).set({ deletedAt: context.clock.now() }).where(eq(events.id, eventId));
    await tx
      .update(messages)
      .set({ state: "held", note: heldByBin })
      .where(and(eq(messages.eventId, eventId), eq(messages.state, "planned"), ne(messages.kind, "cancellation")));
    await audit(context, tx, {
      organisationId: access.event.organisationId,
      actorId: member.userId,
      action: "event.delete",
      eventId,
    });
  });
}
/**
 * Brings a deleted event back whole: dates, people, registrations; of its mails those not yet due are
 * planned again, those whose hour passed meanwhile are dropped. Its seats are looked for anew.
 */

export async function restoreEvent(context: Context, member: TeamMember, eventId: string): Promise<void> {
  const now = context.clock.now();
  await context.db.transaction(async (tx) => {
    const isProducer = sql`exists (select 1 from ${tickets} where ${tickets.eventId} = ${events.id} and ${tickets.personId} = ${member.personId} and ${tickets.role} = 'producer')`;
    const mayRestore = member.standing === "owner" ? undefined : isProducer;
    const restored = await tx
      .update(events)
      .set({ deletedAt: null })
      .where(
        and(
          eq(events.id, eventId),
          eq(events.organisationId, member.organisationId),
          isNotNull(events.deletedAt),
          mayRestore,
        ),
      )
      .returning();
    const event = oneOf(restored, "event");
    // a mailing that somebody had stopped stays stopped
    const held = and(eq(messages.eventId, eventId), eq(messages.state, "held"), eq(messages.note, heldByBin));
    await tx
      .update(messages)
      .set({ state: "dropped", note: "due while deleted" })
      .where(and(held, lte(messages.plannedDueAt, now)));
    await tx.update(messages).set({ state: "planned", note: null }).where(held);
    const ahead = (await datesOf(tx, eventId)).filter((date) => date.phase === "scheduled" && date.startAt > now);
    await settleSeats(context, tx, event.organisationId, new Set(ahead.map((date) => date.id)));
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: "event.restore",
      eventId,
    });
  });
}
