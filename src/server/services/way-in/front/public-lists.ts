import { asc, desc, eq, and, sql } from "drizzle-orm";
import { isPublicDateAhead, isPublicEvent } from "../../../db/queries/public-events";
import { events, occurrences, recordings, type Look } from "../../../db/schema";
import type { Context } from "../../ground/context";
import { plainText } from "../../ground/sanitise";
import type { OccurrenceRow } from "../../planning/dates/load";
import type { Organisation } from "../front-door";
import { isListed } from "../listed-recordings";

export interface PublicListItem {
  readonly slug: string;
  readonly title: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly zone: string;
  readonly phase: OccurrenceRow["phase"];
  readonly look: Look;
  readonly place: string;
  readonly interpretationInto: readonly string[];
  /** the beginning of its description, in plain words */
  readonly teaser: string;
}

const readAhead = 400;
/** A series stands with its next date: its page has the others. */
const firstOfEach = <T extends { readonly slug: string }>(rows: readonly T[]): T[] =>
  rows.filter((row, i) => rows.findIndex((one) => one.slug === row.slug) === i);

/** How much of a description stands in a list of events. */
const mostTeaserLetters = 180;
/** The beginning of a description in plain words, cut between two of them. */
function teaserOf(html: string): string {
  const text = plainText(html).replace(/\s+/g, " ");
  if (text.length <= mostTeaserLetters) return text;
  return `${text.slice(0, text.lastIndexOf(" ", mostTeaserLetters))} …`;
}

/** The organisation's public events ahead, each with its next date, soonest first. Private events are never listed. */
export async function publicDates(
  context: Context,
  organisation: Organisation,
  limit = 50,
): Promise<readonly PublicListItem[]> {
  return context.db
    .select({
      slug: events.slug,
      title: events.title,
      startAt: occurrences.startAt,
      endAt: occurrences.endAt,
      zone: occurrences.zone,
      phase: occurrences.phase,
      look: events.look,
      place: events.place,
      interpretationInto: events.interpretationInto,
      descriptionHtml: sql<string>`left(${events.descriptionHtml}, ${mostTeaserLetters * 4})`,
    })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(isPublicDateAhead(organisation.id, context.clock.now()))
    .orderBy(asc(occurrences.startAt))
    .limit(readAhead)
    .then((rows) =>
      firstOfEach(rows.filter((row) => row.phase !== "cancelled" && row.phase !== "ended"))
        .slice(0, limit)
        .map(({ descriptionHtml, ...row }) => ({ ...row, teaser: teaserOf(descriptionHtml) })),
    );
}

export interface PublicRecording {
  readonly slug: string;
  readonly title: string;
  readonly recordedAt: number;
  readonly zone: string;
  readonly look: Look;
}

export async function publicRecordings(
  context: Context,
  organisation: Organisation,
  limit = 50,
): Promise<readonly PublicRecording[]> {
  return context.db
    .select({
      slug: recordings.slug,
      title: recordings.title,
      recordedAt: occurrences.startAt,
      zone: occurrences.zone,
      look: events.look,
    })
    .from(recordings)
    .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(and(isPublicEvent(organisation.id), isListed(context.clock.now())))
    .orderBy(desc(occurrences.startAt))
    .limit(limit);
}
