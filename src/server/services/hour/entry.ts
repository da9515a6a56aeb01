import { and, eq, gt, isNull, ne } from "drizzle-orm";
import { foyerOpensAt, callTimeOf, mayComeBackstage } from "@/core/dates";
import { isOver, isStageRole } from "@/core/people";
import { roleMay } from "@/core/rights";
import { Refusal } from "@/core/shared";
import { stays, occurrences, people, slotPlans, tickets } from "../../db/schema";
import { eventAccess, type TeamMember } from "../ground/access";
import { oneOf, notFound, wrongInput, type Context } from "../ground/context";
import { keepConsents } from "../ground/consent";
import { allDatesOf, type OccurrenceRow } from "../planning/dates/load";
import type { Holder } from "../way-in/tickets";

export const timesOf = (occurrence: OccurrenceRow) => ({
  startAt: occurrence.startAt,
  endAt: occurrence.endAt,
  callAt: callTimeOf(occurrence.startAt, occurrence.callMinutes),
});

export interface WayIn {
  readonly opensAt: number;
  readonly isOpen: boolean;
  readonly isStage: boolean;
  /** the doors themselves let in, not an hour: an event without a foyer */
  readonly isByDoors: boolean;
}

/** When this holder may come in, and whether that is now. */
export function wayIn(holder: Holder, now: number): WayIn {
  const times = timesOf(holder.occurrence);
  const { phase } = holder.occurrence;
  const isStage = isStageRole(holder.actor.role);
  if (isStage) {
    return {
      opensAt: times.callAt,
      isOpen: mayComeBackstage(holder.actor, now, times, phase, holder.event.earlyEntry),
      isStage,
      isByDoors: false,
    };
  }
  const { foyerOn } = holder.event;
  const opensAt = foyerOn ? foyerOpensAt(times) : times.startAt;
  return {
    opensAt,
    isOpen: !isOver(phase) && ((foyerOn && now >= opensAt) || phase === "open"),
    isStage,
    isByDoors: !foyerOn,
  };
}

/** Keeps the name that somebody wants to be seen with, on their own record. */
export async function takeName(context: Context, holder: Holder, name: string, hasTriedDevices = false): Promise<void> {
  const trimmed = name
    .trim()
    .replace(/[\u0000-\u001f\u007f]+/g, " ")
    .slice(0, 200);
  if (trimmed === "") throw wrongInput("name", "name-needed");
  if (trimmed !== holder.person.name)
    await context.db.update(people).set({ name: trimmed }).where(eq(people.id, holder.person.id));
  if (hasTriedDevices && holder.event.shape === "slots") await markTechCheck(context, holder);
  if (!isStageRole(holder.actor.role)) return;
  if (hasTriedDevices)
    await context.db
      .update(tickets)
      .set({ techCheckedAt: context.clock.now() })
      .where(eq(tickets.id, holder.ticket.id));
  const { ticket, person } = holder;
  await keepConsents(context, context.db, "recording", [
    { organisationId: ticket.organisationId, personId: person.id, ticketId: ticket.id },
  ]);
}

/** Whether some device came in by this ticket before: a second one is asked whether it is the same person. */
export const wasHere = async (context: Context, { ticket, occurrence }: Holder): Promise<boolean> =>
  (await context.db.$count(
    stays,
    and(eq(stays.ticketId, ticket.id), eq(stays.occurrenceId, occurrence.id), ne(stays.device, "phone-line")),
  )) > 0;

/** Whoever tried sound and picture in a booked slot has done the tech check of the event that the slots are for. */
async function markTechCheck(context: Context, { event, person }: Holder): Promise<void> {
  const [plan] = await context.db
    .select({ forEventId: slotPlans.forEventId })
    .from(slotPlans)
    .where(eq(slotPlans.eventId, event.id));
  if (!plan?.forEventId) return;
  await context.db
    .update(tickets)
    .set({ techCheckedAt: context.clock.now() })
    .where(and(eq(tickets.eventId, plan.forEventId), eq(tickets.personId, person.id), isNull(tickets.occurrenceId)));
}

/** Stage people connected to this date now, for the foyer's "backstage already". */
export async function backstageNow(context: Context, holder: Holder): Promise<readonly string[]> {
  if (!isStageRole(holder.actor.role)) return [];
  const rows = await context.db
    .selectDistinct({ name: people.name, id: people.id })
    .from(stays)
    .innerJoin(tickets, eq(tickets.id, stays.ticketId))
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(stays.occurrenceId, holder.occurrence.id),
        isNull(stays.toAt),
        isNull(tickets.occurrenceId),
        gt(stays.lastSignAt, context.clock.now() - 25_000),
      ),
    )
    .limit(50);
  return rows.filter((row) => row.id !== holder.person.id).map((row) => row.name ?? "");
}

export interface DeskEntry {
  readonly occurrence: OccurrenceRow;
  readonly eventTitle: string;
  readonly eventSlug: string;
  /** of a room without fixed time */
  readonly roomCode: string | null;
  readonly ticketId: string;
  readonly actor: Holder["actor"];
}

/**
 * A team member's own ticket at the desk of a date. An owner who is not on the event's list is put
 * on it as producer: the journal needs somebody to name.
 */
export async function deskEntry(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
): Promise<DeskEntry> {
  const access = await eventAccess(context, member, eventId);
  if (!roleMay(access.actor, "desk.open")) throw new Refusal({ code: "not-allowed", action: "desk.open" });
  const occurrence = (await allDatesOf(context.db, eventId)).find((one) => one.id === occurrenceId);
  if (!occurrence) throw notFound("date");
  const ticketId = access.ticketId ?? (await producerTicket(context, member, eventId));
  return {
    occurrence,
    eventTitle: access.event.title,
    eventSlug: access.event.slug,
    roomCode: access.event.roomCode,
    ticketId,
    actor: access.actor,
  };
}

async function producerTicket(context: Context, member: TeamMember, eventId: string): Promise<string> {
  const { organisationId, personId } = member;
  const at = context.clock.now();
  const made = await context.db
    .insert(tickets)
    .values({
      id: context.ids.id(),
      organisationId,
      eventId,
      personId,
      role: "producer",
      registeredAt: at,
      invitedAt: at,
    })
    .returning({ id: tickets.id });
  return oneOf(made, "ticket").id;
}

/** The team member's ticket in the room of a date, found by the date alone: for streams and commands. */
export async function deskEntryByDate(context: Context, member: TeamMember, occurrenceId: string): Promise<DeskEntry> {
  const [row] = await context.db
    .select({ eventId: occurrences.eventId })
    .from(occurrences)
    .where(and(eq(occurrences.id, occurrenceId), eq(occurrences.organisationId, member.organisationId)));
  if (!row) throw notFound("date");
  return deskEntry(context, member, row.eventId, occurrenceId);
}
