import { and, eq, ne } from "drizzle-orm";
import type { ComparedDate } from "@/contracts";
import { drawnSteps } from "@/core/attendance";
import { registrationsByDay } from "@/core/reports";
import { surveyResult } from "@/core/survey";
import { surveyAnswers, tickets, type events, type occurrences } from "../../db/schema";
import { leadDays, stayedPercent } from "../afterwards/funnel";
import { surveyOf } from "../afterwards/survey-kept";
import type { Context } from "../ground/context";
import { dateReport, type DateReport } from "../ground/date-report";

type EventRow = typeof events.$inferSelect;
type OccurrenceRow = typeof occurrences.$inferSelect;

/** A held date as it is laid beside others, and who was there. */
export interface Counted {
  readonly date: Omit<ComparedDate, "difference">;
  readonly stays: readonly number[];
  readonly people: ReadonlySet<string>;
  readonly names: ReadonlyMap<string, string>;
}

async function ratingOf(context: Context, eventId: string, occurrenceId: string): Promise<ComparedDate["rating"]> {
  const survey = await surveyOf(context.db, eventId);
  const scale = survey?.questions.find(({ kind }) => kind === "scale-5" || kind === "scale-10");
  if (!survey || !scale) return null;
  const rows = await context.db
    .select({ answers: surveyAnswers.answers })
    .from(surveyAnswers)
    .where(eq(surveyAnswers.occurrenceId, occurrenceId))
    .limit(50_000);
  const { figures, n } = surveyResult(
    scale,
    rows.map((row) => row.answers),
    false,
  );
  // of an anonymous survey a few would be somebody's own
  if (!figures || (survey.isAnonymous && n < 5)) return null;
  return { mean: figures.mean, n, most: scale.kind === "scale-5" ? 5 : 10 };
}

function curveOf({ report }: DateReport): Pick<ComparedDate, "curve" | "lengthMs"> {
  const start = report.show.at(0)?.start ?? 0;
  return {
    curve: drawnSteps(report.curve.steps).map(({ at, count }) => [at - start, count] as const),
    lengthMs: (report.show.at(-1)?.end ?? start) - start,
  };
}

/** @param titles of segments, by id */
export async function countedDate(
  context: Context,
  event: EventRow,
  occurrence: OccurrenceRow,
  titles: ReadonlyMap<string, string>,
): Promise<Counted> {
  const data = await dateReport(context, event, occurrence);
  const { report } = data;
  const threshold = event.creditPoints === null ? stayedPercent : event.creditThresholdPercent;
  const house = report.lines.filter((line) => line.role === "attendee");
  const came = house.filter((line) => line.minutesPresent > 0);
  const registeredAt = await context.db
    .select({ at: tickets.registeredAt })
    .from(tickets)
    .where(and(eq(tickets.occurrenceId, occurrence.id), eq(tickets.role, "attendee"), ne(tickets.status, "cancelled")))
    .limit(100_000);
  const stays = came.map((line) => line.minutesPresent);
  const personOf = (key: string) => data.persons.get(key)?.personId || key;
  return {
    stays,
    people: new Set(came.map((line) => personOf(line.personKey))),
    names: new Map(came.map((line) => [personOf(line.personKey), line.name])),
    date: {
      id: occurrence.id,
      eventId: event.id,
      title: event.title,
      startAt: occurrence.startAt,
      zone: occurrence.zone,
      registered: report.registered,
      came: report.came,
      registeredCame: came.filter((line) => line.isRegistered).length,
      tookPart: came.filter((line) => line.questions + line.votes + line.hands > 0).length,
      stayed: came.filter((line) => line.percentPresent >= threshold).length,
      peak: report.curve.peak?.count ?? 0,
      averageHouse: report.curve.averageHouse,
      meanStayMinutes: stays.length === 0 ? null : stays.reduce((sum, one) => sum + one, 0) / stays.length,
      rating: await ratingOf(context, event.id, occurrence.id),
      byDay: registrationsByDay(
        registeredAt.map((row) => row.at),
        occurrence.startAt,
        leadDays,
      ),
      ...curveOf(data),
      segments: report.retention.map((span) => ({
        title: titles.get(span.segmentId) ?? "segment",
        share: span.share,
        atStart: span.atStart,
      })),
    },
  };
}
