import { and, desc, eq, isNotNull, lt } from "drizzle-orm";
import { expectedHouse, type ExpectedHouse, type PastShowUp } from "@/core/seats";
import { dateRecords, occurrences } from "../../db/schema";
import type { Context } from "../ground/context";

export interface PastHouse extends PastShowUp {
  /** how many of those who came were there at the peak; null where nothing is known */
  readonly peakShare: number | null;
  readonly dates: number;
}

const mostPast = 50;

/**
 * The organisation's last fifty held dates, newest first, those that are gone included: only those that somebody had
 * registered for say something about show-up.
 * @param before only dates that began before then
 */
export async function pastDates(context: Context, organisationId: string, before?: number) {
  const rows = await context.db
    .select({
      startAt: occurrences.startAt,
      registered: occurrences.registeredCount,
      came: occurrences.cameCount,
      peak: occurrences.peakCount,
    })
    .from(occurrences)
    .where(
      and(
        eq(occurrences.organisationId, organisationId),
        eq(occurrences.kind, "show"),
        before === undefined ? undefined : lt(occurrences.startAt, before),
        isNotNull(occurrences.cameCount),
        isNotNull(occurrences.registeredCount),
      ),
    )
    .orderBy(desc(occurrences.startAt))
    .limit(mostPast);
  const gone = await context.db
    .select({
      startAt: dateRecords.startAt,
      registered: dateRecords.registeredCount,
      came: dateRecords.cameCount,
      peak: dateRecords.peakCount,
    })
    .from(dateRecords)
    .where(
      and(
        eq(dateRecords.organisationId, organisationId),
        before === undefined ? undefined : lt(dateRecords.startAt, before),
      ),
    )
    .orderBy(desc(dateRecords.startAt))
    .limit(mostPast);
  return [...rows, ...gone]
    .sort((a, b) => b.startAt - a.startAt)
    .slice(0, mostPast)
    .filter((row) => row.registered! > 0)
    .map((row) => ({
      startAt: row.startAt,
      registered: row.registered!,
      // people who came without having registered fill the house, and tell nothing of those who did
      attended: Math.min(row.came!, row.registered!),
      came: row.came!,
      peak: row.peak ?? 0,
    }));
}

/** Show-up of the organisation's last held dates, added up (rule 3). @param before only dates that began before then */
export async function pastHouse(context: Context, organisationId: string, before?: number): Promise<PastHouse> {
  const held = await pastDates(context, organisationId, before);
  const sum = (of: (row: (typeof held)[number]) => number) => held.reduce((total, row) => total + of(row), 0);
  const came = sum((row) => row.came);
  return {
    registered: sum((row) => row.registered),
    attended: sum((row) => row.attended),
    peakShare: came > 0 ? Math.min(1, sum((row) => row.peak) / came) : null,
    dates: held.length,
  };
}

export const expect = (past: PastHouse, registrations: number, houseSize: number): ExpectedHouse =>
  expectedHouse(registrations, houseSize, past, past.peakShare);
