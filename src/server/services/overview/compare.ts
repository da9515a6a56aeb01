import { and, desc, eq, inArray, isNull } from "drizzle-orm";
import type { ComparedDate, Comparison } from "@/contracts";
import { meanDifference, shareDifference } from "@/core/reports";
import { isUuid } from "@/core/shared";
import { anyOf } from "../../db/queries/any-of";
import { segmentTitles } from "../../db/queries/segment-titles";
import { events, occurrences, tickets } from "../../db/schema";
import { eventAccess, type TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { countedDate, type Counted } from "./counted-date";

/** Dates that are laid beside one another at once. */
export const mostCompared = 12;
const mostOffered = 60;
const atOnce = 4;

/**
 * Held dates that the member may read, newest first: of the event itself, then the organisation's others.
 * @param named the date itself and those chosen: there however many newer ones there are
 */
async function offeredDates(context: Context, member: TeamMember, eventId: string, named: readonly string[]) {
  const rows = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(
      and(
        eq(occurrences.organisationId, member.organisationId),
        eq(occurrences.kind, "show"),
        eq(occurrences.phase, "ended"),
        isNull(events.deletedAt),
        // whoever is not an owner reads the reports of their own events
        member.standing === "owner"
          ? undefined
          : inArray(
              events.id,
              context.db
                .select({ id: tickets.eventId })
                .from(tickets)
                .where(and(eq(tickets.personId, member.personId), inArray(tickets.role, ["producer", "crew"]))),
            ),
      ),
    )
    .orderBy(desc(anyOf(occurrences.id, named)), desc(eq(events.id, eventId)), desc(occurrences.startAt))
    .limit(mostOffered);
  const rank = (row: (typeof rows)[number]) => (row.event.id === eventId ? 0 : 1);
  return rows.toSorted((a, b) => rank(a) - rank(b) || b.occurrence.startAt - a.occurrence.startAt);
}

const against = (first: Counted, other: Counted): ComparedDate["difference"] => ({
  showUp: shareDifference(
    { hits: first.date.registeredCame, n: first.date.registered },
    { hits: other.date.registeredCame, n: other.date.registered },
  ),
  tookPart: shareDifference(
    { hits: first.date.tookPart, n: first.date.came },
    { hits: other.date.tookPart, n: other.date.came },
  ),
  stay: meanDifference(first.stays, other.stays),
});

/** Rule 17: the date and those chosen beside it; without a choice its event's dates before. */
export async function compareDates(
  context: Context,
  member: TeamMember,
  eventId: string,
  occurrenceId: string,
  chosen: readonly string[],
): Promise<Comparison> {
  await eventAccess(context, member, eventId);
  const all = await offeredDates(context, member, eventId, [
    occurrenceId,
    ...chosen.filter(isUuid).slice(0, mostCompared),
  ]);
  const self = all.find((row) => row.occurrence.id === occurrenceId);
  const others = all.filter((row) => row.occurrence.id !== occurrenceId);
  const before = others.filter(
    (row) => row.event.id === eventId && row.occurrence.startAt < (self?.occurrence.startAt ?? 0),
  );
  const picked =
    chosen.length > 0
      ? others.filter((row) => chosen.includes(row.occurrence.id))
      : (before.length > 0 ? before : others).slice(0, 3);
  const rows = [...(self ? [self] : []), ...picked].slice(0, mostCompared);
  const titles = await segmentTitles(
    context.db,
    rows.map((row) => row.occurrence.id),
  );
  const counted: Counted[] = [];
  // a few at once: one is computed while the database reads others
  for (let i = 0; i < rows.length; i += atOnce)
    counted.push(
      ...(await Promise.all(
        rows.slice(i, i + atOnce).map((row) => countedDate(context, row.event, row.occurrence, titles)),
      )),
    );
  const [first] = counted;
  const always = first ? [...first.people].filter((one) => counted.every((date) => date.people.has(one))) : [];
  return {
    offered: others.map(({ event, occurrence }) => ({
      id: occurrence.id,
      eventId: event.id,
      title: event.title,
      startAt: occurrence.startAt,
      zone: occurrence.zone,
    })),
    dates: counted.map((one) => ({ ...one.date, difference: one === first ? null : against(first!, one) })),
    always: always
      .map((one) => first!.names.get(one) ?? "")
      .filter(Boolean)
      .sort((a, b) => a.localeCompare(b))
      .slice(0, 100),
    alwaysCount: counted.length > 1 ? always.length : 0,
  };
}
