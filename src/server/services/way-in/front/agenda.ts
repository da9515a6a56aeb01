import { eq, inArray } from "drizzle-orm";
import { planRunSheet } from "@/core/run-sheet";
import type { Db } from "../../../db/client";
import { people, tickets } from "../../../db/schema";
import type { OccurrenceRow } from "../../planning/dates/load";
import { segmentsOf, timed } from "../../planning/run-sheets";

/** One segment as visitors read it. */
export interface AgendaSegment {
  readonly title: string;
  /** its planned start; null where the date has no planned hour */
  readonly at: number | null;
  readonly leaders: readonly string[];
}

/** Who leads a segment: the one first named, then whoever stands beside. */
const leadersOf = (row: { leaderTicketId: string | null; besideTicketIds: readonly string[] }): string[] => [
  ...new Set([...(row.leaderTicketId ? [row.leaderTicketId] : []), ...row.besideTicketIds]),
];

/** What comes when in a date, and who leads it. */
export async function agendaOf(db: Db, occurrence: OccurrenceRow): Promise<readonly AgendaSegment[]> {
  const rows = await segmentsOf(db, occurrence.id);
  const leaderIds = rows.flatMap(leadersOf);
  const leaders =
    leaderIds.length === 0
      ? []
      : await db
          .select({ id: tickets.id, name: people.name })
          .from(tickets)
          .innerJoin(people, eq(people.id, tickets.personId))
          .where(inArray(tickets.id, leaderIds));
  const names = new Map(leaders.map((one) => [one.id, one.name]));
  const plan = planRunSheet(
    rows.map((row) => timed(row, occurrence.zone)),
    occurrence.startAt,
    occurrence.endAt,
  );
  return rows.map((row, i) => ({
    title: row.title,
    at: occurrence.hasPlannedEnd ? plan.segments[i]!.startAt : null,
    leaders: leadersOf(row).flatMap((id) => names.get(id) ?? []),
  }));
}
