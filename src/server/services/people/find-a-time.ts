import { and, eq, gt, inArray, isNull, lt } from "drizzle-orm";
import { slotQuestionInput, type SlotGrid } from "@/contracts";
import { callTimeOf } from "@/core/dates";
import {
  busyTimes,
  isStageRole,
  slotGridMinutes,
  slotReasons,
  type BusyCalendar,
  type SlotPerson,
} from "@/core/people";
import { groupBy } from "@/core/shared";
import { dayMs, instantOf, intersectionOf, minuteMs, unionOf, type Interval, type IntervalSet } from "@/core/time";
import type { Db } from "../../db/client";
import { busyCalendars, events, occurrences, people, tickets, type StoredCalendar } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { parse, type Context } from "../ground/context";
import { dateOrNull, type OccurrenceRow } from "../planning/dates/load";
import { notFound } from "../ground/context";

const fromStored = (stored: StoredCalendar): BusyCalendar => ({
  spans: stored.spans,
  entries: stored.entries.map((entry) => ({ ...entry, overrides: new Map(entry.overrides) })),
});

async function calendarsOf(db: Db, personIds: readonly string[]): Promise<ReadonlyMap<string, BusyCalendar[]>> {
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
async function stageDates(
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

const gridMs = slotGridMinutes * minuteMs;
const longestRangeDays = 92;
const shownSlots = 12;
/** A start every quarter of an hour would fill the list with one morning: those shown do not overlap. */
function apart<S extends { startAt: number; endAt: number }>(slots: readonly S[]): S[] {
  const kept: S[] = [];
  for (const slot of slots) {
    if (kept.length === shownSlots) break;
    if (kept.every((one) => one.endAt <= slot.startAt || slot.endAt <= one.startAt)) kept.push(slot);
  }
  return kept;
}

/** Rule 4 for an event's stage people: their busy times and the best slots. The event's own date is free for them. */
export async function findATime(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<SlotGrid> {
  const { event } = await accessFor(context, member, eventId, "event.people");
  const question = parse(slotQuestionInput, rawInput);
  const own = await dateOrNull(context.db, eventId, context.clock.now());
  const zone = own?.zone ?? "UTC";
  const from = Math.max(
    Math.ceil(context.clock.now() / gridMs) * gridMs,
    instantOf({ local: question.fromLocal, zone }),
  );
  const until = Math.min(instantOf({ local: question.untilLocal, zone }), from + longestRangeDays * dayMs);
  const range = { start: from, end: Math.max(from, until) };
  const rows = await context.db
    .select({ ticket: tickets, person: people })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, eventId), isEventWide()))
    .limit(100);
  const ids = rows.map((row) => row.person.id);
  const [calendars, others] = await Promise.all([
    calendarsOf(context.db, ids),
    stageDates(context.db, event.organisationId, ids, range),
  ]);
  const folk = rows.map(({ ticket, person }) => {
    const elsewhere = others
      .filter((one) => one.personId === person.id && one.occurrenceId !== own?.id)
      .map((one) => one.span);
    const busy = intersectionOf(unionOf([...busyTimes(calendars.get(person.id) ?? [], range), ...elsewhere]), [range]);
    return {
      ticketId: ticket.id,
      name: person.name ?? "",
      zone: person.zone ?? zone,
      isRequired: question.requiredIds.includes(ticket.id),
      busy,
      calendars: calendars.get(person.id)?.length ?? 0,
    };
  });
  const slotPeople = folk.map((one): SlotPerson => ({
    id: one.ticketId,
    zone: one.zone,
    isRequired: one.isRequired,
    busy: one.busy,
  }));
  const nameOf = new Map(folk.map((one) => [one.ticketId, one.name]));
  const names = (list: readonly string[]) => list.map((id) => nameOf.get(id) ?? "");
  const found = await context.sums.run("free-slots", [slotPeople, question.durationMinutes, range]);
  const slots = apart(found).map((slot) => {
    const { busyIds, outsideHoursIds } = slotReasons(slotPeople, slot);
    return { ...slot, busyNames: names(busyIds), outsideNames: names(outsideHoursIds) };
  });
  return { people: folk, slots, from: range.start, until: range.end };
}
