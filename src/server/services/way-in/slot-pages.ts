import type { SlotPlan } from "@/core/slots";
import { dayMs } from "@/core/time";
import { eq, and, isNull, asc, inArray, gte } from "drizzle-orm";
import { events, slotPlans, tickets, occurrences, people } from "../../db/schema";
import { type TeamMember, requireStanding } from "../ground/access";
import type { Context } from "../ground/context";

export interface SlotPageLine {
  readonly eventId: string;
  readonly title: string;
  readonly slug: string;
  readonly plan: SlotPlan & { readonly forEventId: string | null; readonly closedAt: number | null };
  readonly forTitle: string | null;
  readonly bookings: readonly {
    readonly dateId: string;
    readonly startAt: number;
    readonly endAt: number;
    readonly name: string;
    readonly email: string;
  }[];
}
const bookingsOf = (context: Context, ids: readonly string[]) =>
  context.db
    .select({
      eventId: tickets.eventId,
      dateId: occurrences.id,
      startAt: occurrences.startAt,
      endAt: occurrences.endAt,
      name: people.name,
      email: people.email,
    })
    .from(tickets)
    .innerJoin(occurrences, eq(occurrences.id, tickets.occurrenceId))
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        inArray(tickets.eventId, [...ids]),
        eq(tickets.status, "registered"),
        eq(tickets.role, "attendee"),
        gte(occurrences.endAt, context.clock.now() - dayMs),
      ),
    )
    .orderBy(asc(occurrences.startAt))
    .limit(2000);

/** The organisation's booking pages with who comes when. */

export async function slotPages(context: Context, member: TeamMember): Promise<readonly SlotPageLine[]> {
  requireStanding(member, "contacts.read");
  const rows = await context.db
    .select({ event: events, plan: slotPlans })
    .from(slotPlans)
    .innerJoin(events, eq(events.id, slotPlans.eventId))
    .where(and(eq(slotPlans.organisationId, member.organisationId), isNull(events.deletedAt)))
    .orderBy(asc(events.createdAt))
    .limit(100);
  if (rows.length === 0) return [];
  const ids = rows.map((row) => row.event.id);
  const [booked, named] = await Promise.all([
    bookingsOf(context, ids),
    context.db
      .select({ id: events.id, title: events.title })
      .from(events)
      .where(
        inArray(
          events.id,
          rows.map((row) => row.plan.forEventId).filter((id) => id !== null),
        ),
      ),
  ]);
  return rows.map(({ event, plan }) => ({
    eventId: event.id,
    title: event.title,
    slug: event.slug,
    plan,
    forTitle: named.find((one) => one.id === plan.forEventId)?.title ?? null,
    bookings: booked
      .filter((one) => one.eventId === event.id)
      .map(({ dateId, startAt, endAt, name, email }) => ({
        dateId,
        startAt,
        endAt,
        name: name ?? "",
        email: email ?? "",
      })),
  }));
}
