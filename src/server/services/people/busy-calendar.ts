import { and, eq } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { busyCalendars, tickets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, type Context } from "../ground/context";

/** A file's rules are laid out once, when it is read, over the time that anybody plans in. */
const kept = { backMs: 60 * dayMs, aheadMs: 3 * 366 * dayMs };

/** Keeps what a person's calendar file says of free and busy; a file of the same name takes the place of the one before. */
export async function addBusyCalendar(
  context: Context,
  member: TeamMember,
  eventId: string,
  ticketId: string,
  name: string,
  bytes: Uint8Array,
): Promise<{ entries: number; unread: readonly string[] }> {
  const { event } = await accessFor(context, member, eventId, "event.people");
  const [ticket] = await context.db
    .select()
    .from(tickets)
    .where(and(eq(tickets.id, ticketId), eq(tickets.eventId, eventId)));
  if (!ticket) throw notFound("person");
  const now = context.clock.now();
  const read = await context.sums.run("busy-file", [bytes, { start: now - kept.backMs, end: now + kept.aheadMs }]);
  const { organisationId } = event;
  await context.db.transaction(async (tx) => {
    await tx
      .delete(busyCalendars)
      .where(and(eq(busyCalendars.personId, ticket.personId), eq(busyCalendars.name, name)));
    await tx.insert(busyCalendars).values({
      id: context.ids.id(),
      organisationId,
      personId: ticket.personId,
      name: name.slice(0, 120),
      body: { spans: read.spans, entries: [] },
      readAt: context.clock.now(),
    });
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "people.calendar",
      eventId,
      facts: { ticketId },
    });
  });
  return { entries: read.entries, unread: read.unread };
}
