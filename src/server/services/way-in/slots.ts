import { and, eq, gte, isNull, sql } from "drizzle-orm";
import { registrationInput } from "@/contracts";
import { localeOf } from "@/contracts/messages";
import { laySlots, type Slot, type SlotPlan } from "@/core/slots";
import { Refusal, unwrap } from "@/core/shared";
import { dayMs, isZone, wallTimeAt } from "@/core/time";
import type { Db } from "../../db/client";
import { events, occurrences, slotPlans, tickets } from "../../db/schema";
import { notFound, parse, type Context } from "../ground/context";
import { layDates } from "../planning/dates/lay";
import { movedEntry } from "../ground/calendar-name";
import type { Organisation } from "./front-door";
import { aboutTicket, dropPlanned, planMessages, planReminders } from "../ground/mail-plan";
import { personByEmail } from "../ground/people-records";
import { keepConsents } from "../ground/consent";
import { tellHosts } from "./slot-hosts";
import type { Holder } from "./tickets";
import { countTries } from "../ground/tries";
import { registrationTries } from "./registration";

type Event = typeof events.$inferSelect;
/** Slots are offered so far ahead. */
export const offeredDays = 90;

export interface OfferedSlot extends Slot {
  readonly left: number;
}

type StoredPlan = SlotPlan & Pick<typeof slotPlans.$inferSelect, "closedAt">;

export interface BookingPage {
  readonly event: Event;
  readonly plan: StoredPlan;
  readonly forEventId: string | null;
  /** those ahead that have room, soonest first */
  readonly slots: readonly OfferedSlot[];
}

interface Booked {
  readonly startAt: number;
  readonly endAt: number;
  readonly n: number;
}

async function takenBy(db: Db, eventId: string, from: number): Promise<readonly Booked[]> {
  return db
    .select({
      startAt: occurrences.startAt,
      endAt: sql`max(${occurrences.endAt})`.mapWith(occurrences.endAt),
      n: sql<number>`count(${tickets.id})::int`,
    })
    .from(occurrences)
    .leftJoin(
      tickets,
      and(
        eq(tickets.occurrenceId, occurrences.id),
        eq(tickets.status, "registered"),
        eq(tickets.role, "attendee"),
        isNull(tickets.revokedAt),
      ),
    )
    .where(and(eq(occurrences.eventId, eventId), gte(occurrences.endAt, from)))
    .groupBy(occurrences.startAt)
    .limit(5000);
}

async function offered(context: Context, db: Db, eventId: string, plan: StoredPlan): Promise<OfferedSlot[]> {
  if (plan.closedAt !== null) return [];
  const now = context.clock.now();
  const horizon = now + offeredDays * dayMs;
  const slots = unwrap(laySlots(plan, wallTimeAt(horizon, plan.zone).local)).filter(
    (slot) => slot.startAt > now && slot.startAt < horizon,
  );
  const taken = await takenBy(db, eventId, now);
  return slots.map((slot) => {
    const same = taken.find((one) => one.startAt === slot.startAt)?.n ?? 0;
    // hours that were changed since: a booking that stands from before keeps its hour free of others
    const isCrossed = taken.some(
      (one) => one.n > 0 && one.startAt !== slot.startAt && one.startAt < slot.endAt && slot.startAt < one.endAt,
    );
    return { ...slot, left: isCrossed ? 0 : Math.max(0, plan.capacity - same) };
  });
}

/** The page on which slots are booked, by its address. */
export async function bookingPage(context: Context, organisation: Organisation, slug: string): Promise<BookingPage> {
  const [row] = await context.db
    .select({ event: events, plan: slotPlans })
    .from(slotPlans)
    .innerJoin(events, eq(events.id, slotPlans.eventId))
    .where(and(eq(events.organisationId, organisation.id), eq(events.slug, slug), isNull(events.deletedAt)));
  if (!row || row.event.publishedAt === null) throw notFound("slots");
  const slots = await offered(context, context.db, row.event.id, row.plan);
  return {
    event: row.event,
    plan: row.plan,
    forEventId: row.plan.forEventId,
    slots: slots.filter((slot) => slot.left > 0),
  };
}

/** A slot that has room. The event's row is locked: of many who click at once as many get in as there is room. */
async function freeSlot(
  context: Context,
  tx: Db,
  { event, plan }: Pick<BookingPage, "event" | "plan">,
  startAt: number,
): Promise<OfferedSlot> {
  await tx.select({ id: events.id }).from(events).where(eq(events.id, event.id)).for("no key update");
  const slot = (await offered(context, tx, event.id, plan)).find((one) => one.startAt === startAt);
  if (!slot) throw notFound("slot");
  if (slot.left === 0) throw new Refusal({ code: "house-full" });
  return slot;
}

/** The date of a slot, made at its first booking. */
async function dateOfSlot(
  context: Context,
  tx: Db,
  { event, plan }: Pick<BookingPage, "event" | "plan">,
  slot: Slot,
): Promise<typeof occurrences.$inferSelect> {
  const [known] = await tx
    .select()
    .from(occurrences)
    .where(and(eq(occurrences.eventId, event.id), eq(occurrences.startAt, slot.startAt)));
  if (known) return known;
  const shape = {
    organisationId: event.organisationId,
    eventId: event.id,
    zone: plan.zone,
    durationMinutes: plan.lengthMinutes,
    callMinutes: 5,
  };
  const [id] = await layDates(context, tx, shape, [slot.startLocal], { kind: "slot" });
  const [made] = await tx.select().from(occurrences).where(eq(occurrences.id, id!));
  return made!;
}

async function tell(
  context: Context,
  tx: Db,
  event: Event,
  date: typeof occurrences.$inferSelect,
  ticket: typeof tickets.$inferSelect,
): Promise<void> {
  await planMessages(context, tx, [{ ...aboutTicket(ticket, date), kind: "confirmation", dueAt: context.clock.now() }]);
  await planReminders(context, tx, event.reminderOffsetsMinutes, [date], [ticket]);
}

/** The ticket of a booking, and the consent that came with it. */
async function makeBooking(
  context: Context,
  tx: Db,
  date: typeof occurrences.$inferSelect,
  personId: string,
  source: string | null | undefined,
) {
  const { organisationId } = date;
  const values = {
    role: "attendee" as const,
    status: "registered" as const,
    source,
    registeredAt: context.clock.now(),
    revokedAt: null,
  };
  const [made] = await tx
    .insert(tickets)
    .values({
      id: context.ids.id(),
      organisationId,
      eventId: date.eventId,
      occurrenceId: date.id,
      personId,
      ...values,
    })
    .onConflictDoUpdate({ target: [tickets.eventId, tickets.occurrenceId, tickets.personId], set: values })
    .returning();
  await keepConsents(context, tx, "registration", [{ organisationId, personId, ticketId: made!.id }]);
  return made!;
}

/** The booking that a person has ahead on a page. */
async function openBooking(context: Context, tx: Db, eventId: string, personId: string) {
  const [open] = await tx
    .select({ ticket: tickets, date: occurrences })
    .from(tickets)
    .innerJoin(occurrences, eq(occurrences.id, tickets.occurrenceId))
    .where(
      and(
        eq(tickets.eventId, eventId),
        eq(tickets.personId, personId),
        eq(tickets.status, "registered"),
        gte(occurrences.endAt, context.clock.now()),
      ),
    )
    .limit(1);
  return open ?? null;
}

/**
 * Books a slot for somebody: a ticket of its own, its mail with the join details and the calendar file. One
 * open booking a person and page: whoever has one gets its mail again. The answer is the same, so that
 * nothing leaks to whoever types a stranger's address.
 */
export async function bookSlot(
  context: Context,
  page: Pick<BookingPage, "event" | "plan">,
  startAt: number,
  rawInput: unknown,
  remote: string,
): Promise<void> {
  const input = parse(registrationInput, rawInput);
  const { event } = page;
  await countTries(context, registrationTries(event.id, input.email, remote));
  await context.db.transaction(async (tx) => {
    const slot = await freeSlot(context, tx, page, startAt);
    const person = await personByEmail(context, tx, event.organisationId, {
      ...input,
      zone: input.zone && isZone(input.zone) ? input.zone : null,
      locale: input.locale && localeOf(input.locale),
    });
    const open = await openBooking(context, tx, event.id, person.id);
    if (open) {
      const { ticket, date } = open;
      await planMessages(context, tx, [
        { ...aboutTicket(ticket, date), kind: "confirmation", dueAt: context.clock.now() },
      ]);
      return;
    }
    const date = await dateOfSlot(context, tx, page, slot);
    const made = await makeBooking(context, tx, date, person.id, input.source);
    await tell(context, tx, event, date, made);
    await tellHosts(context, tx, event, date, "made", person.id);
  });
}

/** Moves a booking to another slot; the ticket and its link stay the same. */
export async function moveBooking(
  context: Context,
  page: Pick<BookingPage, "event" | "plan">,
  holder: Holder,
  startAt: number,
): Promise<void> {
  const { ticket, event, occurrence } = holder;
  if (event.id !== page.event.id || ticket.status !== "registered") throw notFound("ticket");
  if (occurrence.startAt <= context.clock.now()) throw new Refusal({ code: "date-past" });
  await context.db.transaction(async (tx) => {
    const date = await dateOfSlot(context, tx, page, await freeSlot(context, tx, page, startAt));
    await dropPlanned(tx, ticket.id);
    const [moved] = await tx
      .update(tickets)
      .set({ occurrenceId: date.id, ...movedEntry(event, occurrence, date, ticket) })
      .where(eq(tickets.id, ticket.id))
      .returning();
    await planMessages(context, tx, [{ ...aboutTicket(moved!, date), kind: "change", dueAt: context.clock.now() }]);
    await tellHosts(context, tx, event, date, "moved", ticket.personId);
    await planReminders(context, tx, event.reminderOffsetsMinutes, [date], [moved!]);
  });
}
