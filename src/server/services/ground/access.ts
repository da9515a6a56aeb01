import { switchesOf } from "../../db/queries/switches";
import { and, eq, isNull } from "drizzle-orm";
import { standingMay, type Actor, type HouseAction, type Phase, type Standing } from "@/core/people";
import { roleMay, verdict, type Action } from "@/core/rights";
import { isUuid, Refusal } from "@/core/shared";
import { events, members, occurrences, tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { notFound, type Context } from "./context";

/** Somebody signed in, within one organisation. */
export interface TeamMember {
  readonly userId: string;
  readonly organisationId: string;
  readonly personId: string;
  readonly standing: Standing;
}

/** Refuses an act that belongs to no single event to whoever's standing does not hold it. */
export function requireStanding(member: TeamMember, action: HouseAction): void {
  if (!standingMay(member.standing, action)) throw new Refusal({ code: "not-allowed", action });
}

/** A signed-in person as the holder of a ticket of one event. */
export interface EventAccess {
  readonly member: TeamMember;
  readonly event: typeof events.$inferSelect;
  readonly actor: Actor;
  /** null for an owner who is not on the event's list */
  readonly ticketId: string | null;
}

/** The member behind a signed-in user, or a refusal. */
export async function memberOf(context: Context, organisationId: string, userId: string | null): Promise<TeamMember> {
  if (userId === null) throw new Refusal({ code: "not-signed-in" });
  const [member] = await context.db
    .select()
    .from(members)
    .where(and(eq(members.organisationId, organisationId), eq(members.userId, userId)));
  if (!member) throw new Refusal({ code: "not-signed-in" });
  return member;
}

/** What a member is in an event. Another organisation's event is not found; nothing tells it exists. */
export async function eventAccess(context: Context, member: TeamMember, eventId: string): Promise<EventAccess> {
  if (!isUuid(eventId)) throw notFound("event");
  const [event] = await context.db
    .select()
    .from(events)
    .where(and(eq(events.id, eventId), eq(events.organisationId, member.organisationId), isNull(events.deletedAt)));
  if (!event) throw notFound("event");
  const [ticket] = await context.db
    .select()
    .from(tickets)
    .where(and(eq(tickets.eventId, eventId), eq(tickets.personId, member.personId), isEventWide()));
  const isOwner = member.standing === "owner";
  if (!ticket && !isOwner) throw new Refusal({ code: "not-allowed", action: "event.read" });
  const actor: Actor = isOwner ? { role: "producer", duties: [] } : { role: ticket!.role, duties: ticket!.duties };
  return { member, event, actor, ticketId: ticket?.id ?? null };
}

/** Access to an event for one act, or a refusal. */
export async function accessFor(
  context: Context,
  member: TeamMember,
  eventId: string,
  action: Action,
): Promise<EventAccess> {
  const access = await eventAccess(context, member, eventId);
  if (!roleMay(access.actor, action)) throw new Refusal({ code: "not-allowed", action });
  return access;
}

/** Access to one date for one act, checked against the date's phase too. */
export async function dateAccess(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  action: Action,
): Promise<EventAccess & { occurrence: typeof occurrences.$inferSelect }> {
  const access = await accessFor(context, member, eventId, action);
  if (!isUuid(occurrenceId)) throw notFound("date");
  const [occurrence] = await context.db
    .select()
    .from(occurrences)
    .where(and(eq(occurrences.id, occurrenceId), eq(occurrences.eventId, eventId)));
  if (!occurrence) throw notFound("date");
  requirePhase(access, action, occurrence.phase);
  return { ...access, occurrence };
}

function requirePhase({ actor, event }: EventAccess, action: Action, phase: Phase): void {
  const said = verdict(actor, action, { phase, switches: switchesOf(event) });
  if (said === "wrong-phase") throw new Refusal({ code: "wrong-state", action, state: phase });
  if (said !== "yes") throw new Refusal({ code: "not-allowed", action });
}
