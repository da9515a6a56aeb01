import { and, eq, gt, inArray, isNull, lt } from "drizzle-orm";
import { callTimeOf } from "@/core/dates";
import { busyTimes, isStageRole, type BusyCalendar } from "@/core/people";
import { groupBy } from "@/core/shared";
import { dayMs, intersectionOf, unionOf, type Interval, type IntervalSet } from "@/core/time";
import type { Db } from "../../db/client";
import { busyCalendars, events, occurrences, tickets, type StoredCalendar } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import type { Context } from "../ground/context";
import type { OccurrenceRow } from "../planning/dates/load";

const fromStored = (stored: StoredCalendar): BusyCalendar => ({
  spans: stored.spans,
  entries: stored.entries.map((entry) => ({ ...entry, overrides: new Map(entry.overrides) })),
});

/** What people's calendar files say of free and busy, by person. */
export async function calendarsOf(db: Db, personIds: readonly string[]): Promise<ReadonlyMap<string, BusyCalendar[]>> {
  if (personIds.length === 0) return new Map();
  const rows = await db
    .select()
    .from(busyCalendars)
    .where(inArray(busyCalendars.personId, [...personIds]))
    .limit(2000);
  return new Map(
    [...groupBy(rows, (row) => row.personId)].map(([id, own]) => [id, own.map((row) => fromStored(row.body))]),
  );
}

interface StageDate {
  readonly personId: string;
  readonly occurrenceId: string;
  readonly span: Interval;
}

/** Stage people's other dates here, with their call times. */
export async function stageDates(
  db: Db,
  organisationId: string,
  personIds: readonly string[],
  range: Interval,
): Promise<StageDate[]> {
  if (personIds.length === 0) return [];
  const rows = await db
    .select({ personId: tickets.personId, role: tickets.role, date: occurrences })
    .from(tickets)
    .innerJoin(occurrences, eq(occurrences.eventId, tickets.eventId))
    .innerJoin(events, eq(events.id, tickets.eventId))
    .where(
      and(
        eq(tickets.organisationId, organisationId),
        inArray(tickets.personId, [...personIds]),
        isEventWide(),
        isNull(events.deletedAt),
        inArray(occurrences.phase, ["scheduled", "backstage", "open"]),
        gt(occurrences.endAt, range.start),
        lt(occurrences.startAt, range.end + dayMs),
      ),
    )
    .limit(50_000);
  return rows
    .filter((row) => isStageRole(row.role))
    .map(({ personId, date }) => ({
      personId,
      occurrenceId: date.id,
      span: { start: callTimeOf(date.startAt, date.callMinutes), end: date.endAt },
    }));
}

/** Busy times of stage people around dates, by person and date; a date is no reason against itself. */
export async function stageBusy(
  context: Context,
  organisationId: string,
  dates: readonly OccurrenceRow[],
): Promise<ReadonlyMap<string, IntervalSet>> {
  const { db } = context;
  const eventIds = [...new Set(dates.map((date) => date.eventId))];
  const folk = await db
    .select({ eventId: tickets.eventId, personId: tickets.personId, role: tickets.role })
    .from(tickets)
    .where(and(inArray(tickets.eventId, eventIds), isEventWide()))
    .limit(20_000);
  const onStage = folk.filter(
    (row) => row.role === "panelist" || row.role === "interpreter" || row.role === "captioner",
  );
  const personIds = [...new Set(onStage.map((row) => row.personId))];
  if (personIds.length === 0) return new Map();
  const range = {
    start: Math.min(...dates.map((date) => date.startAt)) - dayMs,
    end: Math.max(...dates.map((date) => date.endAt)) + dayMs,
  };
  const [calendars, others] = await Promise.all([
    calendarsOf(db, personIds),
    stageDates(db, organisationId, personIds, range),
  ]);
  const othersOf = groupBy(others, (one) => one.personId);
  const busyOf = new Map([...calendars].map(([id, own]) => [id, busyTimes(own, range)]));
  const out = new Map<string, IntervalSet>();
  for (const date of dates) {
    const span = { start: callTimeOf(date.startAt, date.callMinutes), end: date.endAt };
    for (const { personId } of onStage.filter((row) => row.eventId === date.eventId)) {
      const elsewhere = (othersOf.get(personId) ?? [])
        .filter((one) => one.occurrenceId !== date.id)
        .map((one) => one.span);
      const near = intersectionOf(unionOf([...(busyOf.get(personId) ?? []), ...elsewhere]), [span]);
      if (near.length > 0) out.set(`${personId}|${date.id}`, near);
    }
  }
  return out;
}
