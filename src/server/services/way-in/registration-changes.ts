import { waitsForApproval } from "@/core/front-door";
import { placeFor } from "@/core/seats";
import { Refusal } from "@/core/shared";
import { eq, and, inArray } from "drizzle-orm";
import { tickets, occurrences } from "../../db/schema";
import { type TeamMember, accessFor } from "../ground/access";
import { audit } from "../ground/audit";
import type { Context } from "../ground/context";
import { requireRegistrationOpen } from "./front-door";
import { dropPlanned, planMessages, aboutTicket } from "../ground/mail-plan";
import { confirm } from "./take-places";
import type { Holder } from "./tickets";
import { tellHosts } from "./slot-hosts";
import { countTry } from "../ground/tries";
import { holdPlaces } from "../planning/places";
import { moveUpWaiting } from "../planning/waiting-list";

/** Gives a place back; the longest waiting moves up. Doing it twice changes nothing more. */

export async function cancelRegistration(context: Context, holder: Holder, isByHost = false): Promise<void> {
  const { event, occurrence, ticket } = holder;
  if (ticket.role !== "attendee") throw new Refusal({ code: "not-allowed", action: "cancel" });
  requireRegistrationOpen(occurrence);
  await context.db.transaction(async (tx) => {
    await holdPlaces(tx, occurrence.id);
    const [current] = await tx.select().from(tickets).where(eq(tickets.id, ticket.id));
    if (current!.status === "cancelled") return;
    await tx.update(tickets).set({ status: "cancelled", waitingSince: null }).where(eq(tickets.id, ticket.id));
    await dropPlanned(tx, ticket.id);
    await planMessages(context, tx, [
      { ...aboutTicket(ticket, occurrence), kind: "registration-cancelled", dueAt: context.clock.now() },
    ]);
    if (!isByHost) await tellHosts(context, tx, event, occurrence, "given-back", ticket.personId);
    await moveUpWaiting(context, tx, event, occurrence);
  });
}
/** Takes a place again after having given it back: at the end of the line, like anybody new. */

export async function comeBack(context: Context, { event, occurrence, ticket, person }: Holder): Promise<void> {
  if (ticket.role !== "attendee" || ticket.status !== "cancelled")
    throw new Refusal({ code: "wrong-state", action: "register", state: ticket.status });
  requireRegistrationOpen(occurrence);
  await countTry(context, "mail-to-address", person.email ?? ticket.id);
  await context.db.transaction(async (tx) => {
    const taken = await holdPlaces(tx, occurrence.id);
    const [current] = await tx.select().from(tickets).where(eq(tickets.id, ticket.id));
    if (current!.status !== "cancelled") return;
    const status = waitsForApproval(event.approval, { domains: event.approvedDomains }, person.email ?? "")
      ? ("pending" as const)
      : placeFor(taken, event.registrationLimit);
    const now = context.clock.now();
    const [back] = await tx
      .update(tickets)
      .set({ status, waitingSince: status === "waiting" ? now : null, registeredAt: now })
      .where(eq(tickets.id, ticket.id))
      .returning();
    await confirm(context, tx, event, occurrence, back!);
  });
}
/**
 * Decides on registrations that wait: approved ones take a place, or the waiting list where none is
 * left; each is written to. Those decided already stay as they are.
 */

export async function decideRegistrations(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketIds: readonly string[],
  isApproved: boolean,
): Promise<number> {
  const { event } = await accessFor(context, member, eventId, "event.people");
  if (ticketIds.length === 0) return 0;
  return context.db.transaction(async (tx) => {
    const pending = await tx
      .select({ ticket: tickets, occurrence: occurrences })
      .from(tickets)
      .innerJoin(occurrences, eq(occurrences.id, tickets.occurrenceId))
      .where(and(eq(tickets.eventId, eventId), eq(tickets.status, "pending"), inArray(tickets.id, [...ticketIds])))
      .orderBy(tickets.registeredAt)
      .for("no key update", { of: tickets });
    for (const { ticket, occurrence } of pending) {
      const status = isApproved
        ? placeFor(await holdPlaces(tx, occurrence.id), event.registrationLimit)
        : ("declined" as const);
      const [decided] = await tx
        .update(tickets)
        .set({ status, waitingSince: status === "waiting" ? context.clock.now() : null })
        .where(eq(tickets.id, ticket.id))
        .returning();
      if (status === "declined")
        await planMessages(context, tx, [
          { ...aboutTicket(ticket, occurrence), kind: "decline", dueAt: context.clock.now() },
        ]);
      else await confirm(context, tx, event, occurrence, decided!);
    }
    await audit(context, tx, {
      organisationId: event.organisationId,
      actorId: member.userId,
      action: isApproved ? "registrations.approve" : "registrations.decline",
      eventId,
      facts: { count: pending.length },
    });
    return pending.length;
  });
}
