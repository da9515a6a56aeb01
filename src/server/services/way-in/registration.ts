import { and, eq, isNull } from "drizzle-orm";
import { openEntryInput, registrationInput, type RegistrationInput } from "@/contracts";
import { localeOf } from "@/contracts/messages";
import { checkAnswers, waitsForApproval } from "@/core/front-door";
import { isWelcome } from "@/core/organisation";
import { placeFor } from "@/core/seats";
import { Refusal, type InputIssue } from "@/core/shared";
import { isZone } from "@/core/time";
import type { Db } from "../../db/client";
import { people, tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { oneOf, parse, type Context } from "../ground/context";
import { keepConsent } from "../ground/consent";
import { type EventRow } from "../planning/events";
import { dateOf, type OccurrenceRow } from "../planning/dates/load";
import { organisationOf, rulesOf } from "../organisation/rules";
import { requireRegistrationOpen, type DoorStep } from "./front-door";
import { aboutTicket, planMessages, remindersOf } from "../ground/mail-plan";
import { personByEmail } from "../ground/people-records";
import { countTries, countTry } from "../ground/tries";
import { holdPlaces } from "../planning/places";

/** Answers to the event's own questions, or a refusal with each field's issue. */
function answersFor(event: EventRow, answers: Record<string, string>): Record<string, string> {
  const { kept, issues } = checkAnswers(event.formFields, answers);
  const labelOf = (id: string) => event.formFields.find((field) => field.id === id)?.label ?? "";
  if (issues.length > 0)
    throw new Refusal({
      code: "invalid-input",
      issues: issues.map((one): InputIssue => ({
        path: `answers.${one.fieldId}`,
        code: `answer-${one.reason}`,
        facts: { field: labelOf(one.fieldId) },
      })),
    });
  return kept;
}

/** Where somebody registers; the organisation where the caller has it at hand. */
type Door = Pick<DoorStep, "event" | "occurrence"> & Partial<Pick<DoorStep, "organisation">>;

export type Ticket = typeof tickets.$inferSelect;

export async function confirm(
  context: Context,
  db: Db,
  event: EventRow,
  occurrence: OccurrenceRow,
  ticket: Ticket,
): Promise<void> {
  const kind = ticket.status === "waiting" ? "waiting-list" : ticket.status === "pending" ? "pending" : "confirmation";
  const now = context.clock.now();
  const reminders =
    ticket.status === "registered" ? remindersOf(ticket, occurrence, event.reminderOffsetsMinutes, now) : [];
  await planMessages(context, db, [{ ...aboutTicket(ticket, occurrence), kind, dueAt: now }, ...reminders]);
}

/** Takes up a ticket again that was given back; every other known one stays as it is. */
async function takeUpAgain(
  db: Db,
  { occurrence, personId }: { occurrence: OccurrenceRow; personId: string },
  values: Partial<Ticket>,
): Promise<Ticket> {
  const [known] = await db
    .select()
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, occurrence.id), eq(tickets.personId, personId)));
  if (known!.status !== "cancelled" && known!.revokedAt === null) return known!;
  const [back] = await db.update(tickets).set(values).where(eq(tickets.id, known!.id)).returning();
  return back!;
}

async function takePlace(
  context: Context,
  db: Db,
  { event, occurrence }: Pick<DoorStep, "event"> & { occurrence: OccurrenceRow },
  personId: string,
  input: RegistrationInput,
  answers: Record<string, string>,
): Promise<Ticket> {
  const now = context.clock.now();
  const { registrationLimit } = event;
  const isPending = waitsForApproval(event.approval, { domains: event.approvedDomains }, input.email);
  // only a limit makes the order in which people come matter; without one unique keys are enough
  const taken = isPending || registrationLimit === null ? 0 : await holdPlaces(db, occurrence.id);
  const status = isPending ? ("pending" as const) : placeFor(taken, registrationLimit);
  const values = {
    status,
    waitingSince: status === "waiting" ? now : null,
    answers,
    source: input.source,
    registeredAt: now,
    revokedAt: null,
  };
  const [made] = await db
    .insert(tickets)
    .values({
      id: context.ids.id(),
      organisationId: event.organisationId,
      eventId: event.id,
      occurrenceId: occurrence.id,
      personId,
      role: "attendee" as const,
      ...values,
    })
    .onConflictDoNothing()
    .returning();
  return made ?? takeUpAgain(db, { occurrence, personId }, values);
}

/**
 * Registers somebody. The answer is the same whether the address is new, known or already on the
 * list: the mail alone tells, so nothing leaks to whoever types a stranger's address.
 */
export async function register(context: Context, door: Door, rawInput: unknown, remote: string): Promise<void> {
  const { event, occurrence } = door;
  requireRegistrationOpen(occurrence);
  const input = parse(registrationInput, rawInput);
  const answers = answersFor(event, input.answers);
  const rules = rulesOf(door.organisation ?? (await organisationOf(context, event.organisationId)));
  if (!isWelcome(rules, input.email)) throw new Refusal({ code: "not-welcome", domains: rules.ownDomains });
  const zone = input.zone && isZone(input.zone) ? input.zone : null;
  await countTries(context, [
    ["registration", `${event.id}|${remote}`],
    ["mail-to-address", input.email],
  ]);
  await context.db.transaction(async (tx) => {
    const person = await personByEmail(context, tx, event.organisationId, {
      ...input,
      zone,
      locale: input.locale && localeOf(input.locale),
    });
    // the date's places are held from here on: as little as can be is done while the others wait
    const ticket = await takePlace(context, tx, { event, occurrence }, person.id, input, answers);
    const about = { organisationId: event.organisationId, personId: person.id, ticketId: ticket.id };
    await keepConsent(context, tx, "registration", about);
    await confirm(context, tx, event, occurrence, ticket);
  });
}

/**
 * Lets somebody in by the open link: a name is enough, the ticket is made on the spot and no mail goes.
 * @returns the ticket's token
 */
export async function enterByLink(context: Context, door: Door, rawInput: unknown, remote: string): Promise<string> {
  const { event, occurrence } = door;
  if (event.entryBy !== "open-link") throw new Refusal({ code: "wrong-state", action: "enter", state: event.entryBy });
  requireRegistrationOpen(occurrence);
  const { name } = parse(openEntryInput, rawInput);
  // a name alone says nothing of where somebody comes from
  if (!rulesOf(door.organisation ?? (await organisationOf(context, event.organisationId))).guestsFromOutside)
    throw new Refusal({ code: "not-allowed", action: "enter" });
  await countTry(context, "registration", `${event.id}|${remote}`);
  const { organisationId } = event;
  const now = context.clock.now();
  return context.db.transaction(async (tx) => {
    if (placeFor(await holdPlaces(tx, occurrence.id), event.registrationLimit) === "waiting")
      throw new Refusal({ code: "house-full" });
    const personId = context.ids.id();
    await tx.insert(people).values({ id: personId, organisationId, name, email: null, createdAt: now });
    const ticket = {
      id: context.ids.id(),
      organisationId,
      eventId: event.id,
      occurrenceId: occurrence.id,
      personId,
      role: "attendee" as const,
      source: "open-link",
      registeredAt: now,
    };
    const [made] = await tx.insert(tickets).values(ticket).returning();
    await keepConsent(context, tx, "registration", { organisationId, personId, ticketId: made!.id });
    return context.secrets.tokenFor(made!.id, made!.linkVersion);
  });
}

/** A test guest's ticket: every step a guest takes, in no figure. @returns the ticket's id and version */
export async function makeTestGuest(
  context: Context,
  member: TeamMember,
  eventId: string,
): Promise<{ id: string; linkVersion: number }> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const occurrence = await dateOf(context.db, eventId, context.clock.now());
  return context.db.transaction(async (tx) => {
    const email = `test-guest+${occurrence.id.slice(0, 8)}@stage-call.example.org`;
    const person = await personByEmail(context, tx, event.organisationId, { name: "Test guest", email });
    const values = {
      organisationId: event.organisationId,
      eventId,
      occurrenceId: occurrence.id,
      personId: person.id,
      role: "test-guest" as const,
    };
    const [made] = await tx
      .insert(tickets)
      .values({ id: context.ids.id(), registeredAt: context.clock.now(), ...values })
      .onConflictDoNothing()
      .returning();
    if (made) return made;
    const [known] = await tx
      .select()
      .from(tickets)
      .where(and(eq(tickets.occurrenceId, occurrence.id), eq(tickets.personId, person.id)));
    return known!;
  });
}

/** No more invitations, reminders and follow-ups to this person. */
export async function unsubscribe(context: Context, token: string): Promise<void> {
  const personId = await unsubscribePerson(context, token);
  await context.db.update(people).set({ unsubscribedAt: context.clock.now() }).where(eq(people.id, personId));
}

/** The person an unsubscribe link names. Forged links, those of another kind and of erased people are refused alike. */
export async function unsubscribePerson(context: Context, token: string): Promise<string> {
  const claim = context.secrets.readToken(token);
  if (!claim || !claim.matches(0)) throw new Refusal({ code: "not-found", what: "ticket" });
  return oneOf(
    await context.db
      .select({ id: people.id })
      .from(people)
      .where(and(eq(people.id, claim.ticketId), isNull(people.erasedAt))),
    "ticket",
  ).id;
}
