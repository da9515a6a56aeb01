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

type DateAccess = Awaited<ReturnType<typeof dateAccess>>;

/** The ticket that somebody with this address has for the date; made, with its mail, where there is none. */
async function ticketFor(
  context: Context,
  { event, occurrence }: DateAccess,
  who: { readonly name: string; readonly email: string },
): Promise<{ readonly ticketId: string; readonly isNew: boolean }> {
  const { organisationId, id: eventId } = event;
  return context.db.transaction(async (tx) => {
    await holdPlaces(tx, occurrence.id);
    const person = await personByEmail(context, tx, organisationId, who);
    const [known] = await tx
      .select({ id: tickets.id })
      .from(tickets)
      .where(
        and(
          eq(tickets.eventId, eventId),
          eq(tickets.personId, person.id),
          or(eq(tickets.occurrenceId, occurrence.id), isNull(tickets.occurrenceId)),
        ),
      );
    if (known) {
      await tx.update(tickets).set({ status: "registered" }).where(eq(tickets.id, known.id));
      return { ticketId: known.id, isNew: false };
    }
    const about = { organisationId, eventId, occurrenceId: occurrence.id, personId: person.id };
    const [made] = await tx
      .insert(tickets)
      .values({
        id: context.ids.id(),
        ...about,
        role: "attendee",
        source: "desk",
        registeredAt: context.clock.now(),
      })
      .returning();
    await confirm(context, tx, event, occurrence, made!);
    return { ticketId: made!.id, isNew: true };
  });
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
  const { ticketId, isNew } =
    "ticketId" in input ? { ...input, isNew: false } : await ticketFor(context, access, input);
  const holder = await holderById(context, ticketId);
  const { ticket } = holder;
  // a ticket of another date opens nothing here, and one that waits for its place is not sent on its way
  const isOfDate = ticket.occurrenceId === null || ticket.occurrenceId === occurrenceId;
  if (holder.event.id !== eventId || !isOfDate || ticket.status !== "registered") throw notFound("person");
  const kind = isStageRole(holder.actor.role) ? ("stage-invitation" as const) : ("confirmation" as const);
  await context.db.transaction(async (tx) => {
    // whoever got the ticket just now has its mail with it
    if (!isNew)
      await planMessages(context, tx, [{ ...aboutTicket(ticket, occurrence), kind, dueAt: context.clock.now() }]);
    const about = { organisationId, actorId: member.userId, eventId, occurrenceId, facts: { ticketId } };
    await audit(context, tx, { ...about, action: isNew ? "ticket.from-desk" : "ticket.send-again" });
  });
  return {
    name: holder.person.name ?? "",
    email: holder.person.email ?? "",
    isNew,
    details: roleMay(access.actor, "event.personal-links") ? await detailsOf(context, holder) : null,
  };
}
