import { and, asc, eq, isNull, notInArray, or, sql } from "drizzle-orm";
import { z } from "zod";
import { emailText, personName, type LatePerson, type LetIn } from "@/contracts";
import { isStageRole } from "@/core/people";
import { roleMay } from "@/core/rights";
import { longDate, clockTime, cityOf } from "@/core/time";
import { people, tickets } from "../../db/schema";
import { dateAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, type Context } from "../ground/context";
import { aboutTicket, planMessages } from "../ground/mail-plan";
import { personByEmail } from "../ground/people-records";
import { inBook } from "../people/contacts/book";
import { holdPlaces } from "../planning/places";
import { confirm } from "../way-in/take-places";
import { holderById, phoneRowsFor, tokenOf, type Holder } from "../way-in/tickets";

const mostFound = 8;

/** People of this date and contacts, by letters of name or address: who has a ticket first. */
export async function findLate(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  words: string,
): Promise<readonly LatePerson[]> {
  const { event } = await dateAccess(context, member, eventId, occurrenceId, "event.people");
  const letters = words.trim().slice(0, 100);
  if (letters.length < 2) return [];
  const like = `%${letters.replace(/[\\%_]/g, "\\$&")}%`;
  const named = sql`(coalesce(${people.name}, '') || ' ' || coalesce(${people.email}, '')) ilike ${like}`;
  const holders = await context.db
    .select({
      personId: people.id,
      ticketId: tickets.id,
      name: sql<string>`coalesce(${people.name}, '')`,
      email: sql<string>`coalesce(${people.email}, '')`,
      role: tickets.role,
    })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(tickets.eventId, eventId),
        or(eq(tickets.occurrenceId, occurrenceId), isNull(tickets.occurrenceId)),
        isNull(tickets.revokedAt),
        eq(tickets.status, "registered"),
        named,
      ),
    )
    .orderBy(asc(people.name))
    .limit(mostFound);
  if (holders.length === mostFound) return holders;
  const known = holders.map((one) => one.personId);
  const contacts = await context.db
    .select({
      personId: people.id,
      name: sql<string>`coalesce(${people.name}, '')`,
      email: sql<string>`coalesce(${people.email}, '')`,
    })
    .from(people)
    .where(and(inBook(event.organisationId), known.length > 0 ? notInArray(people.id, known) : undefined, named))
    .orderBy(asc(people.name))
    .limit(mostFound - holders.length);
  return [...holders, ...contacts.map((one) => ({ ...one, ticketId: null, role: null }))];
}

const lateInput = z.union([z.object({ ticketId: z.uuid() }), z.object({ name: personName, email: emailText })]);

async function detailsOf(context: Context, holder: Holder): Promise<string> {
  const { event, occurrence } = holder;
  const { zone, startAt } = occurrence;
  const phone = (await phoneRowsFor(context, holder)).map(([label, value]) => `${label}: ${value}`);
  return [
    event.title,
    `${longDate(startAt, zone)}, ${clockTime(startAt, zone)} (${cityOf(zone)})`,
    `${context.environment.STAGE_CALL_URL}/enter/${tokenOf(context, holder.ticket)}`,
    ...phone,
  ].join("\n");
}

/**
 * Brings somebody in while the hour runs: whoever has a ticket gets its mail again, anybody else a ticket and its
 * mail, beyond the registration's limit too: the desk decides. Leaves at once.
 */
export async function letLateIn(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  rawInput: unknown,
): Promise<LetIn> {
  const access = await dateAccess(context, member, eventId, occurrenceId, "event.people");
  const { event, occurrence } = access;
  const input = parse(lateInput, rawInput);
  const { organisationId } = event;
  const ticketId = await context.db.transaction(async (tx) => {
    if ("ticketId" in input) return input.ticketId;
    await holdPlaces(tx, occurrenceId);
    const person = await personByEmail(context, tx, organisationId, input);
    const mine = and(
      eq(tickets.eventId, eventId),
      eq(tickets.personId, person.id),
      or(eq(tickets.occurrenceId, occurrenceId), isNull(tickets.occurrenceId)),
    );
    const [known] = await tx.select().from(tickets).where(mine);
    const now = context.clock.now();
    if (known) {
      await tx.update(tickets).set({ status: "registered" }).where(eq(tickets.id, known.id));
      return known.id;
    }
    const about = { organisationId, eventId, occurrenceId, personId: person.id };
    const [made] = await tx
      .insert(tickets)
      .values({ id: context.ids.id(), ...about, role: "attendee", source: "desk", registeredAt: now })
      .returning();
    await confirm(context, tx, event, occurrence, made!);
    return made!.id;
  });
  const holder = await holderById(context, ticketId);
  if (holder.event.id !== eventId) throw notFound("person");
  const isNew = holder.ticket.registeredAt === context.clock.now() && holder.ticket.source === "desk";
  const kind = isStageRole(holder.actor.role) ? ("stage-invitation" as const) : ("confirmation" as const);
  await context.db.transaction(async (tx) => {
    if (!isNew)
      await planMessages(context, tx, [
        { ...aboutTicket(holder.ticket, occurrence), kind, dueAt: context.clock.now() },
      ]);
    const facts = { ticketId };
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId, facts };
    await audit(context, tx, { ...about, action: isNew ? "ticket.from-desk" : "ticket.send-again" });
  });
  return {
    name: holder.person.name ?? "",
    email: holder.person.email ?? "",
    isNew,
    details: roleMay(access.actor, "event.personal-links") ? await detailsOf(context, holder) : null,
  };
}
