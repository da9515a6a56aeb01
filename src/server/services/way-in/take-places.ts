import { and, eq, inArray, sql } from "drizzle-orm";
import type { RegistrationInput } from "@/contracts";
import { localeOf } from "@/contracts/messages";
import { waitsForApproval } from "@/core/front-door";
import { placeFor } from "@/core/seats";
import { groupBy } from "@/core/shared";
import { isZone } from "@/core/time";
import type { Db } from "../../db/client";
import { tickets } from "../../db/schema";
import { keepConsents } from "../ground/consent";
import type { Context } from "../ground/context";
import { aboutTicket, planMessages, remindersOf, type Addressed, type NewMessage } from "../ground/mail-plan";
import { addressKey, peopleByEmail } from "../ground/people-records";
import type { EventRow } from "../planning/events";
import type { OccurrenceRow } from "../planning/dates/load";
import { holdPlaces } from "../planning/places";

/** One registration whose every word was read: what is left is to write it. */
export interface ReadRegistration {
  readonly event: EventRow;
  readonly occurrence: OccurrenceRow;
  readonly input: RegistrationInput;
  readonly answers: Readonly<Record<string, string>>;
}

export type Ticket = typeof tickets.$inferSelect;
type Status = Ticket["status"];
/** What is told to whoever registered, and planned for them. */
type Placed = Addressed & { readonly status: Status };

/** The mails that a registration brings: word of what became of it, and the reminders still ahead. */
function mailsFor(event: EventRow, occurrence: OccurrenceRow, ticket: Placed, now: number): readonly NewMessage[] {
  const { status } = ticket;
  const kind = status === "waiting" ? "waiting-list" : status === "pending" ? "pending" : "confirmation";
  const reminders = status === "registered" ? remindersOf(ticket, occurrence, event.reminderOffsetsMinutes, now) : [];
  return [{ ...aboutTicket(ticket, occurrence), kind, dueAt: now }, ...reminders];
}

/** Tells somebody what became of their registration. */
export async function confirm(
  context: Context,
  db: Db,
  event: EventRow,
  occurrence: OccurrenceRow,
  ticket: Placed,
): Promise<void> {
  await planMessages(context, db, mailsFor(event, occurrence, ticket, context.clock.now()));
}

interface Claim extends ReadRegistration {
  readonly personId: string;
  /** somebody made just now has no ticket yet */
  readonly isNewPerson: boolean;
}
interface Place {
  readonly claim: Claim;
  readonly ticketId: string;
  readonly status: Status;
}

const keyOf = (one: { readonly personId: string }): string => one.personId;

/** The tickets that people known before have at this date. */
async function ticketsOf(db: Db, occurrenceId: string, claims: readonly Claim[]): Promise<ReadonlyMap<string, Ticket>> {
  const ids = claims.filter((one) => !one.isNewPerson).map(keyOf);
  if (ids.length === 0) return new Map();
  const rows = await db
    .select()
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, occurrenceId), inArray(tickets.personId, ids)));
  return new Map(rows.map((row) => [row.personId, row]));
}

/** New tickets in one statement. @returns the ids of the people who got theirs; the others have one already */
async function insertTickets(context: Context, db: Db, places: readonly Place[]): Promise<ReadonlySet<string>> {
  if (places.length === 0) return new Set();
  const now = new Date(context.clock.now()).toISOString();
  const { event, occurrence } = places[0]!.claim;
  const list = (of: (one: Place) => string | null) => sql.param(places.map(of));
  const made = await db.execute(sql`
    insert into tickets (id, person_id, status, answers, source, waiting_since, organisation_id, event_id, occurrence_id, role, registered_at)
    select id, person_id, status, answers, source, case when status = 'waiting' then ${now}::timestamptz end,
      ${event.organisationId}::uuid, ${event.id}::uuid, ${occurrence.id}::uuid, 'attendee', ${now}::timestamptz
    from unnest(${list((one) => one.ticketId)}::uuid[], ${list((one) => one.claim.personId)}::uuid[], ${list((one) => one.status)}::text[],
      ${list((one) => JSON.stringify(one.claim.answers))}::jsonb[], ${list((one) => one.claim.input.source ?? null)}::text[])
      as wanted(id, person_id, status, answers, source)
    on conflict do nothing returning person_id`);
  return new Set(made.rows.map((row) => String(row["person_id"])));
}

/** A ticket that was given back is taken up again. */
async function takeUpAgain(context: Context, db: Db, { claim, ticketId, status }: Place): Promise<void> {
  const now = context.clock.now();
  const { answers, input } = claim;
  const waitingSince = status === "waiting" ? now : null;
  await db
    .update(tickets)
    .set({ status, waitingSince, answers, source: input.source ?? null, registeredAt: now, revokedAt: null })
    .where(eq(tickets.id, ticketId));
}

/**
 * Places at one date for several, in the order in which they came: whoever has a ticket keeps it as it is, the
 * others get a place as far as places go (rule 3), else one on the waiting list.
 */
async function placesAt(context: Context, db: Db, claims: readonly Claim[]): Promise<readonly Place[]> {
  const { event, occurrence } = claims[0]!;
  const { registrationLimit } = event;
  // only a limit makes the order in which people come matter; without one unique keys are enough
  let taken = registrationLimit === null ? 0 : await holdPlaces(db, occurrence.id);
  const known = await ticketsOf(db, occurrence.id, claims);
  const places = new Map<string, Place>();
  const fresh: Place[] = [];
  for (const claim of claims) {
    const ticket = known.get(claim.personId);
    const isGivenBack = ticket && (ticket.status === "cancelled" || ticket.revokedAt !== null);
    if (places.has(claim.personId)) continue;
    if (ticket && !isGivenBack) {
      places.set(claim.personId, { claim, ticketId: ticket.id, status: ticket.status });
      continue;
    }
    const isPending = waitsForApproval(event.approval, { domains: event.approvedDomains }, claim.input.email);
    const status = isPending ? "pending" : placeFor(taken, registrationLimit);
    if (status === "registered") taken += 1;
    const place: Place = { claim, ticketId: ticket?.id ?? context.ids.id(), status };
    places.set(claim.personId, place);
    if (ticket) await takeUpAgain(context, db, place);
    else fresh.push(place);
  }
  const made = await insertTickets(context, db, fresh);
  const late = fresh.filter(({ claim }) => !made.has(claim.personId)).map(({ claim }) => claim);
  if (late.length === 0) return [...places.values()];
  // somebody else wrote theirs in this very moment: it is known now
  for (const claim of late) places.delete(claim.personId);
  return [
    ...places.values(),
    ...(await placesAt(
      context,
      db,
      late.map((claim) => ({ ...claim, isNewPerson: false })),
    )),
  ];
}

const placedOf = ({ claim, ticketId, status }: Place): Placed => ({
  id: ticketId,
  organisationId: claim.event.organisationId,
  eventId: claim.event.id,
  personId: claim.personId,
  role: "attendee",
  status,
});

async function takePlacesIn(
  context: Context,
  tx: Db,
  organisationId: string,
  read: readonly ReadRegistration[],
): Promise<void> {
  const people = await peopleByEmail(
    context,
    tx,
    organisationId,
    read.map(({ input }) => ({
      name: input.name,
      email: input.email,
      zone: input.zone && isZone(input.zone) ? input.zone : null,
      ...(input.locale && { locale: localeOf(input.locale) }),
    })),
  );
  const claims = read.map((one): Claim => {
    const person = people.get(addressKey(one.input.email))!;
    return { ...one, personId: person.id, isNewPerson: person.isNew };
  });
  // a date's places are held from its turn on; the dates in one order, so that nobody waits in a circle
  const byDate = [...groupBy(claims, (one) => one.occurrence.id)].sort(([a], [b]) => (a < b ? -1 : 1));
  const places: Place[] = [];
  for (const [, of] of byDate) places.push(...(await placesAt(context, tx, of)));
  const consents = places.map(({ claim, ticketId }) => ({ organisationId, personId: claim.personId, ticketId }));
  await keepConsents(context, tx, "registration", consents);
  const now = context.clock.now();
  const mails = places.flatMap((one) => mailsFor(one.claim.event, one.claim.occurrence, placedOf(one), now));
  await planMessages(context, tx, mails);
}

/** Writes registrations, all of them or none: the same few statements whatever their number. */
export async function takePlaces(context: Context, read: readonly ReadRegistration[]): Promise<void> {
  await context.db.transaction(async (tx) => {
    for (const [organisationId, of] of groupBy(read, (one) => one.event.organisationId)) {
      await takePlacesIn(context, tx, organisationId, of);
    }
  });
}
