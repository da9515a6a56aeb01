import { asc, eq } from "drizzle-orm";
import { calendarLines, calendarText, type CalendarEntry } from "@/core/calendar";
import { isPublicDateAhead } from "../../db/queries/public-events";
import { events, occurrences } from "../../db/schema";
import type { Context } from "../ground/context";
import type { EventRow } from "../planning/events";
import type { OccurrenceRow } from "../planning/dates/load";
import type { Organisation } from "../way-in/front-door";
import { calendarEntry } from "../mailings/render";
import { rulesOf } from "../organisation/rules";
import { phoneDetails } from "../way-in/phone-details";
import { tokenOf, type Holder } from "../way-in/tickets";

/** A series has one; what stands beside the event's own date, as a screening does, has its own. */
function publicUid(event: EventRow, { id, seriesId, screeningOf }: OccurrenceRow): string {
  const own = seriesId ?? (screeningOf === null ? null : id);
  return own === null ? event.uid : `${own}@stage-call.example.org`;
}

const publicEntry = (
  context: Context,
  organisation: Organisation,
  event: EventRow,
  occurrence: OccurrenceRow,
): CalendarEntry => ({
  uid: publicUid(event, occurrence),
  sequence: occurrence.sequence,
  start: { local: occurrence.startLocal, zone: occurrence.zone },
  durationMinutes: occurrence.durationMinutes,
  summary: event.title,
  description: `${context.environment.STAGE_CALL_URL}/front/${event.slug}`,
  url: `${context.environment.STAGE_CALL_URL}/front/${event.slug}`,
  place: event.place,
  stampAt: context.clock.now(),
  isCancelled: occurrence.phase === "cancelled",
  organizer: { name: organisation.senderName, email: organisation.senderEmail },
  attendee: null,
  // each date of a series stands for itself, keyed by its original start
  recurrenceId: occurrence.seriesId ? { local: occurrence.originalStartLocal, zone: occurrence.zone } : null,
});

/** PUBLISH: an event's dates, no personal links. */
export const eventCalendar = (
  context: Context,
  organisation: Organisation,
  event: EventRow,
  dates: readonly OccurrenceRow[],
): string =>
  calendarText(
    calendarLines({
      method: "PUBLISH",
      name: event.title,
      entries: dates.map((date) => publicEntry(context, organisation, event, date)),
    }),
  );

/** REQUEST: the holder's date with their own join link. */
export function ticketCalendar(context: Context, organisation: Organisation, holder: Holder): string {
  const link = `${context.environment.STAGE_CALL_URL}/enter/${tokenOf(context, holder.ticket)}`;
  const facts = {
    ...holder,
    organisation,
    mailing: null,
    question: null,
    callAt: 0,
    isForStage: false,
    accessCode: null,
    phone: phoneDetails(context, holder.event, rulesOf(organisation), holder.ticket),
    owner: null as never,
  };
  const isCancelled = holder.ticket.status === "cancelled" || holder.occurrence.phase === "cancelled";
  return calendarText(
    calendarLines({
      method: isCancelled ? "CANCEL" : "REQUEST",
      name: holder.event.title,
      entries: [calendarEntry(facts, context.clock.now(), link, isCancelled)],
    }),
  );
}

/** The organisation's public dates as one calendar. */
export async function organisationCalendar(context: Context, organisation: Organisation): Promise<string> {
  const rows = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(isPublicDateAhead(organisation.id, context.clock.now()))
    .orderBy(asc(occurrences.startAt))
    .limit(366);
  const entries = rows.map(({ event, occurrence }) => publicEntry(context, organisation, event, occurrence));
  return calendarText(calendarLines({ method: "PUBLISH", name: organisation.name, entries }));
}
