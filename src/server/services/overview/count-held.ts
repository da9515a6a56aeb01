import { and, count, eq, inArray, isNull, or, sql } from "drizzle-orm";
import { byLead } from "@/core/reports";
import { dateFigures, events, messages, occurrences, tickets } from "../../db/schema";
import { returningOf } from "../afterwards/people-of-date";
import { stayedPercent } from "../afterwards/funnel";
import { durationsOf } from "../afterwards/viewers-file";
import { viewersOf } from "../afterwards/watching";
import type { Context } from "../ground/context";
import { dateReport } from "../ground/date-report";

type EventRow = typeof events.$inferSelect;
type OccurrenceRow = typeof occurrences.$inferSelect;

/** Watching goes on for months: what was watched since is counted in again, no more often than this. */
const watchedAgainMinutes = 60;

async function mailCounts(context: Context, occurrenceId: string) {
  const rows = await context.db
    .select({ state: messages.state, n: count() })
    .from(messages)
    .where(and(eq(messages.occurrenceId, occurrenceId), inArray(messages.state, ["sent", "failed"])))
    .groupBy(messages.state);
  const of = (state: string) => rows.find((row) => row.state === state)?.n ?? 0;
  return { mailsSent: of("sent"), mailsFailed: of("failed") };
}

/** Everything that the year adds up of one date, from the very rows that its report is made of. */
export async function figuresOfDate(
  context: Context,
  event: EventRow,
  occurrence: OccurrenceRow,
): Promise<typeof dateFigures.$inferInsert> {
  const { report, persons } = await dateReport(context, event, occurrence);
  const threshold = event.creditPoints === null ? stayedPercent : event.creditThresholdPercent;
  const house = report.lines.filter((line) => line.role === "attendee");
  const came = house.filter((line) => line.minutesPresent > 0);
  const personIds = came.flatMap((line) => persons.get(line.personKey)?.personId || []);
  const [returning, mails, viewers, registered] = await Promise.all([
    returningOf(context.db, event.organisationId, occurrence.startAt, occurrence.id, personIds),
    mailCounts(context, occurrence.id),
    viewersOf(context.db, occurrence.id, await durationsOf(context.db, occurrence.id)),
    context.db
      .select({ id: tickets.id, at: tickets.registeredAt })
      .from(tickets)
      .where(eq(tickets.occurrenceId, occurrence.id))
      .limit(200_000),
  ]);
  const at = new Map(registered.map((row) => [row.id, row.at]));
  const lead = byLead(
    house
      .filter((line) => line.isRegistered)
      .map((line) => ({ registeredAt: at.get(line.personKey) ?? occurrence.startAt, came: line.minutesPresent > 0 })),
    occurrence.startAt,
  );
  return {
    occurrenceId: occurrence.id,
    organisationId: event.organisationId,
    startAt: occurrence.startAt,
    registered: report.registered,
    came: report.came,
    registeredCame: came.filter((line) => line.isRegistered).length,
    stayed: came.filter((line) => line.percentPresent >= threshold).length,
    tookPart: came.filter((line) => line.questions + line.votes + line.hands > 0).length,
    peak: report.curve.peak?.count ?? 0,
    peakAt: report.curve.peak?.at ?? null,
    presentMinutes: came.reduce((sum, line) => sum + line.minutesPresent, 0),
    showMinutes: report.show.reduce((sum, span) => sum + (span.end - span.start), 0) / 60_000,
    medianStayMinutes: report.curve.medianStayMinutes,
    returning: returning.size,
    questions: house.reduce((sum, line) => sum + line.questions, 0),
    watchedSeconds: viewers.reduce((sum, one) => sum + one.seconds, 0),
    viewers: viewers.length,
    ...mails,
    registeredByLead: lead.registered,
    cameByLead: lead.came,
    countedAt: context.clock.now(),
  };
}

/**
 * Counts dates that were held and not counted yet, or not since they were put right or watched: for forecasts,
 * comparisons and the year. Safe to run twice.
 */
export async function countHeld(context: Context, limit = 20): Promise<number> {
  const watchedBefore = new Date(context.clock.now() - watchedAgainMinutes * 60_000).toISOString();
  const due = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .leftJoin(dateFigures, eq(dateFigures.occurrenceId, occurrences.id))
    .where(
      and(
        eq(occurrences.phase, "ended"),
        or(
          isNull(occurrences.cameCount),
          isNull(dateFigures.occurrenceId),
          sql`(${dateFigures.countedAt} < ${watchedBefore} and exists (
            select 1 from viewers v join recordings r on r.id = v.recording_id
            where r.occurrence_id = ${occurrences.id} and v.last_at > ${dateFigures.countedAt}))`,
        ),
      ),
    )
    .limit(limit);
  for (const { event, occurrence } of due) {
    const figures = await figuresOfDate(context, event, occurrence);
    await context.db.transaction(async (tx) => {
      await tx
        .insert(dateFigures)
        .values(figures)
        .onConflictDoUpdate({ target: dateFigures.occurrenceId, set: figures });
      await tx
        .update(occurrences)
        .set({ registeredCount: figures.registered, cameCount: figures.came, peakCount: figures.peak })
        .where(eq(occurrences.id, occurrence.id));
    });
  }
  return due.length;
}
