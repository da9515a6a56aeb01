import { and, eq, isNull, notInArray } from "drizzle-orm";
import { dayMs, instantOf, minuteMs, wallTimeAt } from "../../src/core/time";
import { events, occurrences, people, rooms, tickets } from "../../src/server/db/schema";
import type { DemoParts } from "./after-dates";
import { demoEvents, demoTitles } from "./events";
import { fillPastDate } from "./past-date";
import { insertSheet } from "./sheet";
import { segmentSets } from "./words";

const weeks = 5;
/** of those who were at the last of them, so many have been coming all along */
const regularsCount = 34;
const regularsShare = 0.86;
const newcomersShare = 0.4;

/** The weeks before the last count clinic: an event that was held again and again, with people who come every time. */
export async function demoEarlierDates(parts: DemoParts): Promise<void> {
  const { context, chance, organisationId } = parts;
  const { db } = context;
  const event = demoEvents.find(({ title }) => title === demoTitles.clinics)!;
  const [last] = await db
    .select({ id: occurrences.id, eventId: events.id, startAt: occurrences.startAt })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(eq(events.title, event.title));
  const { eventId } = last!;
  const common = { organisationId, eventId };
  const announcedAt = last!.startAt - (weeks * 7 + 30) * dayMs;
  await db
    .update(events)
    .set({ createdAt: announcedAt - 10 * dayMs, publishedAt: announcedAt })
    .where(eq(events.id, eventId));
  const team = await db
    .select({ id: tickets.id, role: tickets.role })
    .from(tickets)
    .where(and(eq(tickets.eventId, eventId), isNull(tickets.occurrenceId)));
  const there = await db
    .select({ personId: tickets.personId })
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, last!.id), eq(tickets.role, "attendee")))
    .orderBy(tickets.registeredAt);
  const regulars = there.slice(0, regularsCount).map(({ personId }) => personId);
  const others = await db
    .select({ id: people.id })
    .from(people)
    .where(and(eq(people.organisationId, organisationId), notInArray(people.id, regulars)))
    .orderBy(people.email);
  const producerId = team.find(({ role }) => role === "producer")!.id;
  const stageIds = team.filter(({ role }) => role === "panelist").map(({ id }) => id);
  const durationMinutes = segmentSets[event.set]!.reduce((sum, [, minutes]) => sum + minutes, 0);
  for (let week = weeks; week >= 1; week -= 1) {
    const day = wallTimeAt(last!.startAt - week * 7 * dayMs, event.zone).local.slice(0, 10);
    const startLocal = `${day}T${event.clock}`;
    const startAt = instantOf({ local: startLocal, zone: event.zone });
    const occurrenceId = chance.id();
    const when = { originalStartLocal: startLocal, startLocal, zone: event.zone, durationMinutes };
    await db
      .insert(occurrences)
      .values({ id: occurrenceId, ...common, ...when, startAt, endAt: startAt + durationMinutes * minuteMs });
    await db.insert(rooms).values({ occurrenceId, organisationId });
    const { polls, rows } = await insertSheet(parts, event, occurrenceId, stageIds, producerId);
    // the circle grows towards the weekend of the count
    const newcomers = others.filter(() => chance.next() < 0.1 - week * 0.012).map(({ id }) => id);
    const holders = [...regulars, ...newcomers].map((personId) => ({
      ...{ id: chance.id(), ...common, occurrenceId, personId, role: "attendee" as const },
      registeredAt: startAt - chance.between(0.1, 25) * dayMs,
    }));
    await db.insert(tickets).values(holders);
    const known = new Set(holders.slice(0, regulars.length).map(({ id }) => id));
    await fillPastDate(db, chance, {
      ...{ organisationId, occurrenceId, startAt, durationMinutes, producerId, stageIds, segments: rows, polls },
      attendeeIds: holders.map(({ id }) => id),
      shareWhoCome: (id) => (known.has(id) ? regularsShare : newcomersShare),
    });
  }
}
