import { and, asc, eq, isNotNull, isNull } from "drizzle-orm";
import { events, occurrences, recordings, tickets } from "../../src/server/db/schema";
import type { Db } from "../../src/server/db/client";
import { makeContext } from "../../src/server/worker";
import { seriesTitle, worstTitle } from "./planning";
import { demoTitles } from "./events";

/** A published recording and a booking page, where there are. */
async function publicPages(db: Db) {
  const [recording] = await db
    .select({ slug: recordings.slug })
    .from(recordings)
    .where(isNotNull(recordings.publishedFrom))
    .limit(1);
  const [booking] = await db
    .select({ slug: events.slug })
    .from(events)
    .where(and(eq(events.shape, "slots"), isNotNull(events.publishedAt)))
    .limit(1);
  return { recording, booking };
}

/** Addresses and personal links of the demo, for pictures and tools. */
export async function demoLinks(source: Record<string, string | undefined>) {
  const { context, close } = await makeContext(source);
  const { db, secrets } = context;
  const dateOf = async (title: string) => {
    const [row] = await db
      .select({ eventId: events.id, occurrenceId: occurrences.id, slug: events.slug })
      .from(events)
      .innerJoin(occurrences, eq(occurrences.eventId, events.id))
      .where(eq(events.title, title));
    if (!row) throw new Error(`the demo has no “${title}”`);
    return row;
  };
  const tokenIn = async (eventId: string, role: "attendee" | "panelist", offset = 0) => {
    const [row] = await db
      .select()
      .from(tickets)
      .where(
        and(
          eq(tickets.eventId, eventId),
          eq(tickets.role, role),
          eq(tickets.status, "registered"),
          isNull(tickets.revokedAt),
        ),
      )
      .orderBy(asc(tickets.id))
      .limit(1)
      .offset(offset);
    if (!row) throw new Error(`nobody in the demo is ${role} there`);
    return secrets.tokenFor(row.id, row.linkVersion);
  };
  const [live, soon, ahead, past] = [
    await dateOf(demoTitles.live),
    await dateOf(demoTitles.soon),
    await dateOf(demoTitles.training),
    await dateOf(demoTitles.past),
  ];
  const { recording, booking } = await publicPages(db);
  const links = {
    live,
    soon,
    ahead,
    past,
    results: await dateOf(demoTitles.results),
    worst: await dateOf(worstTitle),
    series: await dateOf(seriesTitle),
    attendee: await tokenIn(live.eventId, "attendee", 100),
    panelist: await tokenIn(live.eventId, "panelist"),
    soonAttendee: await tokenIn(soon.eventId, "attendee"),
    soonPanelist: await tokenIn(soon.eventId, "panelist"),
    bookingSlug: booking?.slug ?? "none",
    recordingSlug: recording?.slug ?? "none",
  };
  await close();
  return links;
}
