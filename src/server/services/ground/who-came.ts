import { and, desc, eq } from "drizzle-orm";
import { events, occurrences } from "../../db/schema";
import type { Context } from "./context";
import { dateReport } from "./date-report";

/** Somebody of a date's audience; without a ticket: they came by an import or an open door. */
export interface OfDate {
  readonly personId: string;
  readonly ticketId: string | null;
}

/** Who of a date's audience was there, and who had registered and was not: by the report (rule 13), as the mails tell them. */
export async function whoCame(
  context: Context,
  occurrenceId: string,
): Promise<{ readonly came: readonly OfDate[]; readonly missed: readonly OfDate[] }> {
  const [row] = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(occurrences.id, occurrenceId));
  if (!row) return { came: [], missed: [] };
  const { report, persons } = await dateReport(context, row.event, row.occurrence);
  const came: OfDate[] = [];
  const missed: OfDate[] = [];
  for (const { personKey, role, isRegistered } of report.lines) {
    const person = persons.get(personKey);
    if (role !== "attendee" || !person) continue;
    if ((report.presence.get(personKey) ?? []).length > 0) came.push(person);
    // before the end nobody has missed anything
    else if (isRegistered && row.occurrence.phase === "ended") missed.push(person);
  }
  return { came, missed };
}

/** A series' held dates that are looked at for who came to it at all. */
const mostDates = 60;

/** The same over the held dates of an event, newest first: whoever came to one of them has not missed it. */
export async function whoCameToEvent(context: Context, eventId: string): Promise<Awaited<ReturnType<typeof whoCame>>> {
  const held = await context.db
    .select({ id: occurrences.id })
    .from(occurrences)
    .where(and(eq(occurrences.eventId, eventId), eq(occurrences.phase, "ended")))
    .orderBy(desc(occurrences.startAt))
    .limit(mostDates);
  const came = new Map<string, OfDate>();
  const missed = new Map<string, OfDate>();
  for (const { id } of held) {
    const of = await whoCame(context, id);
    for (const one of of.came) came.set(one.personId, one);
    for (const one of of.missed) missed.set(one.personId, one);
  }
  return { came: [...came.values()], missed: [...missed.values()].filter((one) => !came.has(one.personId)) };
}
