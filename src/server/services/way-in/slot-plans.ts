import { and, eq, gte } from "drizzle-orm";
import { freshPlan, slotPlanInput } from "@/contracts";
import { laySlots } from "@/core/slots";
import { unwrap } from "@/core/shared";
import { dayMs, wallTimeAt } from "@/core/time";
import { events, occurrences, slotPlans, tickets } from "../../db/schema";
import { accessFor, requireStanding, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { oneOf, parse, type Context } from "../ground/context";
import { organisationOf, requireWithinLimits, rulesOf } from "../organisation/rules";
import { settleSeats } from "../organisation/seats";
import { datesOf } from "../planning/dates/load";
import { publishEvent } from "../planning/event-life";
import { createEvent } from "../planning/events";
import { cancelRegistration } from "./registration-changes";
import { offeredDays } from "./slots";
import { holderById } from "./tickets";

const requireSlots = (context: Context, plan: Parameters<typeof laySlots>[0]): void =>
  void unwrap(laySlots(plan, wallTimeAt(context.clock.now() + offeredDays * dayMs, plan.zone).local));

/** Makes a booking page: an event of its own whose dates are the slots that somebody booked. */
export async function createSlots(
  context: Context,
  member: TeamMember,
  rawInput: unknown,
): Promise<{ eventId: string; slug: string }> {
  requireStanding(member, "slots.edit");
  const { title, forEventId, ...plan } = parse(slotPlanInput, rawInput);
  if (forEventId) await accessFor(context, member, forEventId, "event.people");
  requireSlots(context, plan);
  const fresh = freshPlan(plan.startLocal, plan.zone, {
    durationMinutes: plan.lengthMinutes,
    houseSize: plan.capacity,
    callMinutes: 5,
  });
  const { eventId } = await createEvent(context, member, { ...fresh, title, shape: "slots" });
  await context.db.insert(slotPlans).values({ eventId, organisationId: member.organisationId, forEventId, ...plan });
  await publishEvent(context, member, eventId, true);
  const [event] = await context.db.select({ slug: events.slug }).from(events).where(eq(events.id, eventId));
  return { eventId, slug: event!.slug };
}

/** A booking page that the member may change. */
async function ownPlan(context: Context, member: TeamMember, eventId: string) {
  requireStanding(member, "slots.edit");
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const rows = await context.db.select().from(slotPlans).where(eq(slotPlans.eventId, eventId));
  return { event, plan: oneOf(rows, "slots") };
}

const noted = (context: Context, member: TeamMember, eventId: string, action: string) =>
  audit(context, context.db, { organisationId: member.organisationId, actorId: member.userId, action, eventId });

/** Changes the hours that are given out from now on. What is booked stands as it was booked. */
export async function editSlots(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<void> {
  await ownPlan(context, member, eventId);
  const { title, forEventId, ...plan } = parse(slotPlanInput, rawInput);
  if (forEventId) await accessFor(context, member, forEventId, "event.people");
  requireSlots(context, plan);
  const size = { durationMinutes: plan.lengthMinutes, houseSize: plan.capacity, onStage: 1 };
  requireWithinLimits(rulesOf(await organisationOf(context, member.organisationId)), size, null);
  await context.db.transaction(async (tx) => {
    await tx.update(events).set({ title, houseSize: plan.capacity }).where(eq(events.id, eventId));
    await tx
      .update(slotPlans)
      .set({ forEventId, ...plan })
      .where(eq(slotPlans.eventId, eventId));
    const ahead = (await datesOf(tx, eventId)).filter((date) => date.phase === "scheduled");
    await settleSeats(context, tx, member.organisationId, new Set(ahead.map((date) => date.id)));
  });
  await noted(context, member, eventId, "slots.edit");
}

/** Takes no more bookings, or takes them again. What is booked stands. */
export async function closeSlots(
  context: Context,
  member: TeamMember,
  eventId: string,
  isClosed: boolean,
): Promise<void> {
  await ownPlan(context, member, eventId);
  await context.db
    .update(slotPlans)
    .set({ closedAt: isClosed ? context.clock.now() : null })
    .where(eq(slotPlans.eventId, eventId));
  await noted(context, member, eventId, isClosed ? "slots.close" : "slots.open");
}

/** Cancels bookings for whoever made them; each hears of it by mail, and their calendar entry goes. */
export async function cancelBookings(
  context: Context,
  member: TeamMember,
  eventId: string,
  dateIds: readonly string[],
): Promise<number> {
  await ownPlan(context, member, eventId);
  const rows = await context.db
    .select({ ticketId: tickets.id, dateId: occurrences.id })
    .from(tickets)
    .innerJoin(occurrences, eq(occurrences.id, tickets.occurrenceId))
    .where(
      and(
        eq(tickets.eventId, eventId),
        eq(tickets.status, "registered"),
        eq(tickets.role, "attendee"),
        gte(occurrences.startAt, context.clock.now()),
      ),
    )
    .limit(2000);
  const wanted = rows.filter((row) => dateIds.includes(row.dateId));
  for (const { ticketId } of wanted) await cancelRegistration(context, await holderById(context, ticketId), true);
  await noted(context, member, eventId, "slots.cancel-bookings");
  return wanted.length;
}
