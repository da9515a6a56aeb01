import { and, eq, isNull } from "drizzle-orm";
import { issuesOf, openEntryInput, registrationInput } from "@/contracts";
import { checkAnswers } from "@/core/front-door";
import { isWelcome } from "@/core/organisation";
import { placeFor } from "@/core/seats";
import { Refusal, type InputIssue } from "@/core/shared";
import { people, tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { oneOf, parse, refuseNul, type Context } from "../ground/context";
import { keepConsents } from "../ground/consent";
import { type EventRow } from "../planning/events";
import { dateOf } from "../planning/dates/load";
import { organisationOf, rulesOf } from "../organisation/rules";
import { requireRegistrationOpen, type DoorStep } from "./front-door";
import { personByEmail } from "../ground/people-records";
import { countTries, countTry, type Try } from "../ground/tries";
import { holdPlaces } from "../planning/places";
import { takePlaces, type ReadRegistration } from "./take-places";

/** Answers to the event's own questions, and what is wrong with them. */
function answersFor(event: EventRow, answers: Readonly<Record<string, string>>) {
  const { kept, issues } = checkAnswers(event.formFields, answers);
  const labelOf = (id: string) => event.formFields.find((field) => field.id === id)?.label ?? "";
  const issueOf = (one: (typeof issues)[number]): InputIssue => ({
    path: `answers.${one.fieldId}`,
    code: `answer-${one.reason}`,
    facts: { field: labelOf(one.fieldId) },
  });
  return { kept, issues: issues.map(issueOf) };
}

/** The whole form at once: whoever has to mend it hears of everything that is wrong, not of one thing after another. */
function readForm(event: EventRow, rawInput: unknown) {
  refuseNul(rawInput);
  const parsed = registrationInput.safeParse(rawInput);
  const given = registrationInput.pick({ answers: true }).safeParse(rawInput);
  const { kept, issues } = answersFor(event, given.success ? given.data.answers : {});
  const all = [...(parsed.success ? [] : issuesOf(parsed.error)), ...issues];
  if (!parsed.success || all.length > 0) throw new Refusal({ code: "invalid-input", issues: all });
  return { input: parsed.data, answers: kept };
}

/** Where somebody registers; the organisation where the caller has it at hand. */
type Door = Pick<DoorStep, "event" | "occurrence"> & Partial<Pick<DoorStep, "organisation">>;

/** What somebody typed, against the event's own form and the house's rules. @throws a refusal with every issue */
export async function readRegistration(context: Context, door: Door, rawInput: unknown): Promise<ReadRegistration> {
  const { event, occurrence } = door;
  requireRegistrationOpen(occurrence);
  const { input, answers } = readForm(event, rawInput);
  const rules = rulesOf(door.organisation ?? (await organisationOf(context, event.organisationId)));
  if (!isWelcome(rules, input.email)) throw new Refusal({ code: "not-welcome", domains: rules.ownDomains });
  return { event, occurrence, input, answers };
}

/** What counts as a try at an event: by the address there and in all, and by the network. */
export const registrationTries = (eventId: string, email: string, remote: string): readonly Try[] => [
  ["registration", `${eventId}|${remote}`],
  ["registration-of-address", `${eventId}|${email}`],
  ["mail-to-address", email],
];

/**
 * Registers somebody. The answer is the same whether the address is new, known or already on the
 * list: the mail alone tells, so nothing leaks to whoever types a stranger's address.
 */
export async function register(context: Context, door: Door, rawInput: unknown, remote: string): Promise<void> {
  const read = await readRegistration(context, door, rawInput);
  await countTries(context, registrationTries(read.event.id, read.input.email, remote));
  await takePlaces(context, [read]);
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
    await keepConsents(context, tx, "registration", [{ organisationId, personId, ticketId: made!.id }]);
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
