import { and, eq, ne } from "drizzle-orm";
import { z } from "zod";
import { emailText } from "@/contracts";
import { placeFor } from "@/core/seats";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { people, tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { movedEntry } from "../ground/calendar-name";
import { notFound, oneOf, parse, type Context } from "../ground/context";
import { aboutTicket, dropPlanned, planMessages, planReminders } from "../ground/mail-plan";
import { datesOf } from "../planning/dates/load";
import { holdPlaces } from "../planning/places";
import { moveUpWaiting } from "../planning/waiting-list";
import { requireOwnStage } from "../people/contacts/foreign-stage";
import { requireRegistrationOpen } from "./front-door";
import { renewLinks } from "./renew-links";
import { cancelRegistration } from "./registration-changes";
import { confirm } from "./take-places";
import { holderById, type Holder } from "./tickets";

/** A registrant of an event that the member may act for. */
async function registrant(context: Context, member: TeamMember, eventId: string, ticketId: string): Promise<Holder> {
  await accessFor(context, member, eventId, "event.people");
  const holder = await holderById(context, ticketId);
  if (holder.event.id !== eventId || holder.ticket.role !== "attendee") throw notFound("ticket");
  return holder;
}

/** Their ticket's mail once more, due now: for whoever lost it, or whose address was mended. */
const sendTicket = (context: Context, db: Db, { ticket, occurrence }: Holder) =>
  planMessages(context, db, [
    { ...aboutTicket(ticket, occurrence), kind: ticketMailOf(ticket.status), dueAt: context.clock.now() },
  ]);
function ticketMailOf(status: string): "confirmation" | "waiting-list" {
  if (status === "registered") return "confirmation";
  if (status === "waiting") return "waiting-list";
  throw new Refusal({ code: "wrong-state", action: "ticket.send", state: status });
}

const noted = (context: Context, db: Db, member: TeamMember, { event, ticket }: Holder, action: string) =>
  audit(context, db, {
    organisationId: event.organisationId,
    actorId: member.userId,
    action,
    eventId: event.id,
    facts: { ticketId: ticket.id },
  });

/** Sends somebody their own link again. */
export async function sendLinkAgain(context: Context, member: TeamMember, eventId: string, ticketId: string) {
  const holder = await registrant(context, member, eventId, ticketId);
  await context.db.transaction(async (tx) => {
    await sendTicket(context, tx, holder);
    await noted(context, tx, member, holder, "ticket.send-again");
  });
}

/** A link that got into wrong hands opens nothing from now on; its owner gets another by mail. */
export async function replaceLink(context: Context, member: TeamMember, eventId: string, ticketId: string) {
  const holder = await registrant(context, member, eventId, ticketId);
  await context.db.transaction(async (tx) => {
    await tx
      .update(tickets)
      .set({ linkVersion: holder.ticket.linkVersion + 1 })
      .where(eq(tickets.id, ticketId));
    await sendTicket(context, tx, holder);
    await noted(context, tx, member, holder, "ticket.new-link");
  });
}

/** Gives somebody's place back for them; they hear of it, and the longest waiting moves up. */
export async function cancelFor(context: Context, member: TeamMember, eventId: string, ticketId: string) {
  const holder = await registrant(context, member, eventId, ticketId);
  await cancelRegistration(context, holder);
  await noted(context, context.db, member, holder, "ticket.cancel");
}

const addressInput = z.object({ email: emailText });

/** Mends an address where it stands: links that went to the old one are dead, and the ticket goes to the new one. */
export async function correctAddress(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  rawInput: unknown,
) {
  const holder = await registrant(context, member, eventId, ticketId);
  const { email } = parse(addressInput, rawInput);
  const { person, event } = holder;
  if (person.email === email) return;
  await context.db.transaction(async (tx) => {
    const [other] = await tx
      .select({ id: people.id })
      .from(people)
      .where(and(eq(people.organisationId, event.organisationId), eq(people.email, email), ne(people.id, person.id)));
    if (other) throw new Refusal({ code: "address-taken" });
    await requireOwnStage(tx, member, [person.id], "contacts.edit");
    await tx
      .update(people)
      .set({ email, addressFailedAt: null, addressFailedReason: null })
      .where(eq(people.id, person.id));
    await renewLinks(context, tx, person.id);
    await noted(context, tx, member, holder, "ticket.address");
  });
}

/** Puts somebody on another date of the event: same ticket, same link, the same entry in their calendar. */
export async function moveToDate(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  dateId: unknown,
) {
  const holder = await registrant(context, member, eventId, ticketId);
  const { event, occurrence, ticket } = holder;
  const target = oneOf(
    (await datesOf(context.db, eventId)).filter((date) => date.id === dateId && date.kind === "show"),
    "date",
  );
  if (target.id === occurrence.id) return;
  // whoever is still to be decided on, or gave their place back, is not let in by a move
  if (ticket.status !== "registered" && ticket.status !== "waiting")
    throw new Refusal({ code: "wrong-state", action: "ticket.move", state: ticket.status });
  for (const date of [occurrence, target]) requireRegistrationOpen(date);
  await context.db.transaction(async (tx) => {
    // always in one order, so that two moves across never wait for each other
    const ids = [occurrence.id, target.id].sort();
    const taken = new Map<string, number>();
    for (const id of ids) taken.set(id, await holdPlaces(tx, id));
    const [other] = await tx
      .select({ id: tickets.id })
      .from(tickets)
      .where(and(eq(tickets.occurrenceId, target.id), eq(tickets.personId, ticket.personId)));
    if (other) throw new Refusal({ code: "address-taken" });
    const status = placeFor(taken.get(target.id)!, event.registrationLimit);
    await dropPlanned(tx, ticketId);
    const [moved] = await tx
      .update(tickets)
      .set({
        occurrenceId: target.id,
        status,
        waitingSince: status === "waiting" ? context.clock.now() : null,
        ...movedEntry(event, occurrence, target, ticket),
      })
      .where(eq(tickets.id, ticketId))
      .returning();
    if (status === "waiting") await confirm(context, tx, event, target, moved!);
    else {
      await planMessages(context, tx, [{ ...aboutTicket(moved!, target), kind: "change", dueAt: context.clock.now() }]);
      await planReminders(context, tx, event.reminderOffsetsMinutes, [target], [moved!]);
    }
    await moveUpWaiting(context, tx, event, occurrence);
    await noted(context, tx, member, holder, "ticket.move");
  });
}

const noteInput = z.object({ note: z.string().trim().max(2000) });

/** What the team wants to remember of somebody; it stays with the contact. */
export async function keepNote(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  rawInput: unknown,
) {
  const holder = await registrant(context, member, eventId, ticketId);
  const { note } = parse(noteInput, rawInput);
  await context.db.update(people).set({ note }).where(eq(people.id, holder.person.id));
  await noted(context, context.db, member, holder, "ticket.note");
}
