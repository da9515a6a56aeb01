import { and, asc, eq, isNull } from "drizzle-orm";
import { dutiesInput, stagePersonInput } from "@/contracts";
import type { Duty, Role } from "@/core/people";
import { isStageRole, mayHandOut } from "@/core/people";
import { Refusal } from "@/core/shared";
import { notifyJournals } from "../../db/notify";
import { people, tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { oneOf, parse, type Context } from "../ground/context";
import { datesOf } from "../planning/dates/load";
import { dropPlanned } from "../ground/mail-plan";
import { personByEmail } from "../ground/people-records";

export interface StageListItem {
  readonly ticketId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly duties: readonly Duty[];
  readonly zone: string | null;
  readonly invitedAt: number | null;
  readonly languages: readonly [string, string] | null;
  readonly reply: "coming" | "not-coming" | "unsure" | null;
  readonly techCheckedAt: number | null;
  readonly isMe: boolean;
}

export async function listStagePeople(
  context: Context,
  member: TeamMember,
  eventId: string,
): Promise<readonly StageListItem[]> {
  await accessFor(context, member, eventId, "event.read");
  const rows = await context.db
    .select({ ticket: tickets, person: people })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, eventId), isEventWide()))
    .orderBy(asc(tickets.registeredAt), asc(tickets.id))
    .limit(200);
  return rows
    .filter(({ ticket }) => isStageRole(ticket.role))
    .map(({ ticket, person }) => ({
      ticketId: ticket.id,
      name: person.name ?? "",
      email: person.email ?? "",
      role: ticket.role,
      duties: ticket.duties,
      zone: person.zone,
      invitedAt: ticket.invitedAt,
      languages: ticket.languages,
      reply: ticket.reply,
      techCheckedAt: ticket.techCheckedAt,
      isMe: person.id === member.personId,
    }));
}

/** Puts somebody on the event's list. Nothing is sent: the invitation is an act of its own. */
export async function addStagePerson(
  context: Context,
  member: TeamMember,
  eventId: string,
  input: unknown,
): Promise<string> {
  const access = await accessFor(context, member, eventId, "event.people");
  const wanted = parse(stagePersonInput, input);
  const duties = wanted.role === "crew" ? wanted.duties : [];
  if (!mayHandOut(access.actor, { role: wanted.role, duties })) {
    throw new Refusal({ code: "not-allowed", action: "event.people" });
  }
  const { organisationId } = access.event;
  return context.db.transaction(async (tx) => {
    const person = await personByEmail(context, tx, organisationId, wanted);
    const [known] = await tx
      .select()
      .from(tickets)
      .where(and(eq(tickets.eventId, eventId), eq(tickets.personId, person.id), isNull(tickets.occurrenceId)));
    if (known && known.revokedAt === null) throw new Refusal({ code: "address-taken" });
    const languages = wanted.role === "interpreter" ? wanted.languages : null;
    const values = {
      role: wanted.role,
      duties,
      languages,
      reply: null,
      revokedAt: null,
      invitedAt: null,
    };
    const ticketId = known?.id ?? context.ids.id();
    if (known)
      await tx
        .update(tickets)
        .set({ ...values, linkVersion: known.linkVersion + 1 })
        .where(eq(tickets.id, known.id));
    else
      await tx.insert(tickets).values({
        id: ticketId,
        organisationId,
        eventId,
        personId: person.id,
        registeredAt: context.clock.now(),
        ...values,
      });
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "people.add",
      eventId,
      facts: { ticketId, role: wanted.role },
    });
    await notifyJournals(
      tx,
      (await datesOf(tx, eventId)).map((date) => date.id),
    );
    return ticketId;
  });
}

/** People of a calendar entry as panelists; who is on the list already, the producer for one, stays as they are. */
export async function addFromEntry(
  context: Context,
  member: TeamMember,
  eventId: string,
  found: readonly { name: string; email: string }[],
): Promise<void> {
  for (const person of found.slice(0, 100)) {
    try {
      await addStagePerson(context, member, eventId, { ...person, role: "panelist", duties: [], languages: null });
    } catch (error) {
      if (!(error instanceof Refusal && error.failure.code === "address-taken")) throw error;
    }
  }
}

export async function stageTicket(context: Context, eventId: string, ticketId: string) {
  const rows = await context.db
    .select()
    .from(tickets)
    .where(and(eq(tickets.id, ticketId), eq(tickets.eventId, eventId), isEventWide()));
  return oneOf(rows, "person");
}

/** Gives a crew member these duties, ahead or in the middle of the hour. */
export async function setDuties(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  rawDuties: unknown,
): Promise<void> {
  const access = await accessFor(context, member, eventId, "event.people");
  const duties = parse(dutiesInput, rawDuties);
  const ticket = await stageTicket(context, eventId, ticketId);
  if (ticket.role !== "crew") throw new Refusal({ code: "not-allowed", action: "event.people" });
  // what somebody has already is not handed out by leaving it to them
  const given = duties.filter((duty) => !ticket.duties.includes(duty));
  if (!mayHandOut(access.actor, { role: "crew", duties: given }))
    throw new Refusal({ code: "not-allowed", action: "event.people" });
  await context.db.transaction(async (tx) => {
    await tx.update(tickets).set({ duties }).where(eq(tickets.id, ticketId));
    await audit(context, tx, {
      organisationId: ticket.organisationId,
      actorId: member.userId,
      action: "people.duties",
      eventId,
      facts: { ticketId, duties: duties.join(" ") },
    });
    await notifyJournals(
      tx,
      (await datesOf(tx, eventId)).map((date) => date.id),
    );
  });
}

const replies = ["coming", "not-coming", "unsure"] as const;

/** Writes down what somebody of the stage has said, by phone or in passing; an empty word takes it back. */
export async function setReply(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  rawReply: string,
): Promise<void> {
  await accessFor(context, member, eventId, "event.people");
  const ticket = await stageTicket(context, eventId, ticketId);
  const reply = replies.find((one) => one === rawReply) ?? null;
  await context.db
    .update(tickets)
    .set({ reply, repliedAt: reply === null ? null : context.clock.now() })
    .where(eq(tickets.id, ticket.id));
}

/** Takes somebody off the list: their link is dead from then on. The producer stays. */
export async function removeStagePerson(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
): Promise<void> {
  const access = await accessFor(context, member, eventId, "event.people");
  const ticket = await stageTicket(context, eventId, ticketId);
  if (ticket.role === "producer") throw new Refusal({ code: "not-allowed", action: "event.people" });
  await context.db.transaction(async (tx) => {
    await tx
      .update(tickets)
      .set({ revokedAt: context.clock.now(), linkVersion: ticket.linkVersion + 1 })
      .where(eq(tickets.id, ticketId));
    await dropPlanned(tx, ticketId);
    await audit(context, tx, {
      organisationId: access.event.organisationId,
      actorId: member.userId,
      action: "people.remove",
      eventId,
      facts: { ticketId },
    });
    await notifyJournals(
      tx,
      (await datesOf(tx, eventId)).map((date) => date.id),
    );
  });
}
