import { and, asc, eq } from "drizzle-orm";
import { currentDate } from "@/core/dates";
import type { Db } from "../../../db/client";
import { occurrences, series } from "../../../db/schema";
import { notFound } from "../../ground/context";

export type OccurrenceRow = typeof occurrences.$inferSelect;
export type SeriesRow = typeof series.$inferSelect;

/** Dates of an event that are read at once: a full series and what was split off, called off or rehearsed. */
const mostDates = 1500;

/** An event's dates for its audience, soonest first; rehearsals are not among them. */
export const datesOf = (db: Db, eventId: string): Promise<OccurrenceRow[]> =>
  db
    .select()
    .from(occurrences)
    .where(and(eq(occurrences.eventId, eventId), eq(occurrences.kind, "show")))
    .orderBy(asc(occurrences.startAt))
    .limit(mostDates);

/** All of an event's dates, rehearsals too. */
export const allDatesOf = (db: Db, eventId: string): Promise<OccurrenceRow[]> =>
  db
    .select()
    .from(occurrences)
    .where(eq(occurrences.eventId, eventId))
    .orderBy(asc(occurrences.startAt))
    .limit(mostDates);

export const seriesOf = (db: Db, eventId: string): Promise<SeriesRow[]> =>
  db.select().from(series).where(eq(series.eventId, eventId)).orderBy(asc(series.startLocal)).limit(200);

/** The date that is asked for; without one the live, next or last. Null for a room without fixed time that nobody opened. */
export async function dateOrNull(
  db: Db,
  eventId: string,
  now: number,
  wantedId: string | null = null,
): Promise<OccurrenceRow | null> {
  const dates = wantedId ? await allDatesOf(db, eventId) : await datesOf(db, eventId);
  if (!wantedId) return currentDate(dates, now) ?? null;
  const wanted = dates.find((date) => date.id === wantedId);
  if (!wanted) throw notFound("date");
  return wanted;
}

export async function dateOf(
  db: Db,
  eventId: string,
  now: number,
  wantedId: string | null = null,
): Promise<OccurrenceRow> {
  const date = await dateOrNull(db, eventId, now, wantedId);
  if (!date) throw notFound("date");
  return date;
}
