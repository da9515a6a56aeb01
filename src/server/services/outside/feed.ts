import { and, desc, eq, gt } from "drizzle-orm";
import { atomFeed } from "@/core/front-door";
import { dayMs, longDate, clockTime, cityOf } from "@/core/time";
import { isPublicEvent } from "../../db/queries/public-events";
import { events, occurrences, recordings } from "../../db/schema";
import type { Context } from "../ground/context";
import type { Organisation } from "../way-in/front-door";
import { isListed } from "../way-in/listed-recordings";

/** The organisation's public events and recordings as an Atom feed. Private events are in none. */
export async function organisationFeed(context: Context, organisation: Organisation): Promise<string> {
  const origin = context.environment.STAGE_CALL_URL;
  const now = context.clock.now();
  const isPublic = isPublicEvent(organisation.id);
  const [dates, films] = await Promise.all([
    context.db
      .select({ event: events, date: occurrences })
      .from(occurrences)
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(and(isPublic, eq(occurrences.kind, "show"), gt(occurrences.endAt, now - 30 * dayMs)))
      .orderBy(occurrences.startAt)
      .limit(100),
    context.db
      .select({ recording: recordings })
      .from(recordings)
      .innerJoin(occurrences, eq(occurrences.id, recordings.occurrenceId))
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(and(isPublic, isListed(now)))
      .orderBy(desc(recordings.publishedFrom))
      .limit(50),
  ]);
  return atomFeed(
    {
      id: `${origin}/`,
      title: organisation.name,
      link: `${origin}/`,
      self: `${origin}/feed.xml`,
      author: organisation.name,
    },
    [
      ...dates.map(({ event, date }) => ({
        id: `urn:uuid:${date.id}`,
        title: date.phase === "cancelled" ? `Cancelled: ${event.title}` : event.title,
        link: `${origin}/front/${event.slug}?date=${date.id}`,
        updatedAt: event.publishedAt!,
        summary: `${longDate(date.startAt, date.zone)}, ${clockTime(date.startAt, date.zone)} in ${cityOf(date.zone)}`,
      })),
      ...films.map(({ recording }) => ({
        id: `urn:uuid:${recording.id}`,
        title: recording.title,
        link: `${origin}/on-demand/${recording.slug}`,
        updatedAt: recording.publishedFrom!,
        summary: "On demand",
      })),
    ],
  );
}
