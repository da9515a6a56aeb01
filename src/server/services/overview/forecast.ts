import { and, desc, eq, isNotNull, isNull } from "drizzle-orm";
import { expectedHouse, type ExpectedHouse, type PastShowUp } from "@/core/seats";
import { dateRecords, events, occurrences } from "../../db/schema";
import type { Context } from "../ground/context";
import { dateReport } from "../ground/date-report";

export interface PastHouse extends PastShowUp {
  /** how many of those who came were there at the peak; null where nothing is known */
  readonly peakShare: number | null;
  readonly dates: number;
}

/** Show-up of the organisation's last fifty held dates, added up (rule 3). */
export async function pastHouse(context: Context, organisationId: string): Promise<PastHouse> {
  const rows = await context.db
    .select({ registered: occurrences.registeredCount, came: occurrences.cameCount, peak: occurrences.peakCount })
    .from(occurrences)
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        eq(occurrences.kind, "show"),
        isNotNull(occurrences.cameCount),
        isNotNull(occurrences.registeredCount),
      ),
    )
    .orderBy(desc(occurrences.startAt))
    .limit(50);
  const gone = await context.db
    .select({ registered: dateRecords.registeredCount, came: dateRecords.cameCount, peak: dateRecords.peakCount })
    .from(dateRecords)
    .where(eq(dateRecords.organisationId, organisationId))
    .orderBy(desc(dateRecords.startAt))
    .limit(50);
  // only those who had registered say something about show-up
  const held = [...rows, ...gone].slice(0, 50).filter((row) => row.registered! > 0);
  const sum = (of: (row: (typeof held)[number]) => number) => held.reduce((total, row) => total + of(row), 0);
  const came = sum((row) => row.came!);
  return {
    registered: sum((row) => row.registered!),
    attended: sum((row) => Math.min(row.came!, row.registered!)),
    peakShare: came > 0 ? Math.min(1, sum((row) => row.peak ?? 0) / came) : null,
    dates: held.length,
  };
}

export const expect = (past: PastHouse, registrations: number, houseSize: number): ExpectedHouse =>
  expectedHouse(registrations, houseSize, past, past.peakShare);

/** Counts dates that were held and not counted yet: for forecasts and comparisons. Safe to run twice. */
export async function countHeld(context: Context, limit = 20): Promise<number> {
  const due = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(and(eq(occurrences.phase, "ended"), isNull(occurrences.cameCount)))
    .limit(limit);
  for (const { event, occurrence } of due) {
    const { report } = await dateReport(context, event, occurrence);
    const counts = {
      registeredCount: report.registered,
      cameCount: report.came,
      peakCount: report.curve.peak?.count ?? 0,
    };
    await context.db.update(occurrences).set(counts).where(eq(occurrences.id, occurrence.id));
  }
  return due.length;
}
