import { and, asc, desc, eq, inArray, sql } from "drizzle-orm";
import type { SeasonDate } from "@/contracts";
import { callTimeOf } from "@/core/dates";
import { planRunSheet } from "@/core/run-sheet";
import { groupBy } from "@/core/shared";
import { events, occurrences, people, segments, tickets } from "../../db/schema";
import { isEventWide } from "../../db/queries/event-wide";
import type { TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { timed } from "../planning/run-sheets";
import { expect, pastHouse } from "./forecast";
import { findingsOf } from "./readiness/findings";

export type Row = { event: typeof events.$inferSelect; occurrence: typeof occurrences.$inferSelect };

const facesShown = 3;

/** Who is on stage of each event: panelists first, then who interprets and captions. */
async function facesOf(
  context: Context,
  eventIds: readonly string[],
): Promise<ReadonlyMap<string, SeasonDate["faces"]>> {
  const rows = await context.db
    .select({ eventId: tickets.eventId, id: people.id, name: people.name, portraitId: tickets.portraitId })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        inArray(tickets.eventId, [...eventIds]),
        isEventWide(),
        inArray(tickets.role, ["panelist", "interpreter", "captioner"]),
      ),
    )
    .orderBy(desc(sql`${tickets.role} = 'panelist'`), asc(tickets.registeredAt), asc(people.name))
    .limit(5000);
  return new Map(
    [...groupBy(rows, (row) => row.eventId)].map(([eventId, own]) => [
      eventId,
      {
        first: own.slice(0, facesShown).map(({ id, name, portraitId }) => ({ id, name: name ?? "", portraitId })),
        count: own.length,
      },
    ]),
  );
}

/** What of a date tells whether it stands for its series. */
export interface Brief {
  readonly occurrence: Pick<Row["occurrence"], "id" | "seriesId" | "phase" | "startAt" | "zone">;
}

/** Of a series the date that is on, or the next one; those after it are told beside it. */
export function folded<R extends Brief>(
  rows: readonly R[],
): readonly { readonly row: R; readonly later: SeasonDate["later"] }[] {
  const shown = new Map<string, { row: R; later: { startAt: number; zone: string }[] }>();
  for (const row of rows) {
    const { seriesId, phase, id, startAt, zone } = row.occurrence;
    const first = seriesId && phase === "scheduled" ? shown.get(seriesId) : undefined;
    if (first) first.later.push({ startAt, zone });
    else shown.set(seriesId && !shown.has(seriesId) ? seriesId : id, { row, later: [] });
  }
  return [...shown.values()];
}

/** How many are registered for each date, and how many wait. */
async function countsOf(
  context: Context,
  ids: readonly string[],
): Promise<(id: string, status: "registered" | "waiting") => number> {
  const rows = await context.db
    .select({ id: tickets.occurrenceId, status: tickets.status, n: sql<number>`count(*)::int` })
    .from(tickets)
    .where(
      and(
        inArray(tickets.occurrenceId, [...ids]),
        eq(tickets.role, "attendee"),
        inArray(tickets.status, ["registered", "waiting"]),
      ),
    )
    .groupBy(tickets.occurrenceId, tickets.status);
  const counts = new Map(rows.map((row) => [`${row.id} ${row.status}`, row.n]));
  return (id, status) => counts.get(`${id} ${status}`) ?? 0;
}

/** The rows with what the board shows of each: a fixed number of reads, however many dates. */
export async function filled(
  context: Context,
  member: TeamMember,
  rows: readonly Row[],
  withPlans: boolean,
): Promise<readonly SeasonDate[]> {
  const { db } = context;
  const ids = rows.map((row) => row.occurrence.id);
  if (ids.length === 0) return [];
  const [countOf, sheets, findings, past, faces] = await Promise.all([
    countsOf(context, ids),
    withPlans
      ? db
          .select()
          .from(segments)
          .where(inArray(segments.occurrenceId, ids))
          .orderBy(asc(segments.position))
          .limit(20_000)
      : [],
    withPlans ? findingsOf(context, rows) : new Map<string, never>(),
    withPlans ? pastHouse(context, member.organisationId) : null,
    withPlans ? facesOf(context, [...new Set(rows.map((row) => row.event.id))]) : new Map<string, never>(),
  ]);
  const sheetOf = groupBy(sheets, (row) => row.occurrenceId);
  return rows.map(({ event, occurrence }): SeasonDate => {
    const sheet = sheetOf.get(occurrence.id) ?? [];
    const plan = planRunSheet(
      sheet.map((one) => timed(one, occurrence.zone)),
      occurrence.startAt,
      occurrence.endAt,
    );
    const found = findings.get(occurrence.id) ?? [];
    const registered = countOf(occurrence.id, "registered");
    return {
      eventId: event.id,
      occurrenceId: occurrence.id,
      title: event.title,
      kind: occurrence.kind,
      phase: occurrence.phase,
      isPublished: event.publishedAt !== null,
      isOfSeries: occurrence.seriesId !== null,
      zone: occurrence.zone,
      startLocal: occurrence.startLocal,
      callAt: callTimeOf(occurrence.startAt, occurrence.callMinutes),
      startAt: occurrence.startAt,
      endAt: occurrence.endAt,
      registered,
      waiting: countOf(occurrence.id, "waiting"),
      faces: faces.get(event.id) ?? { first: [], count: 0 },
      later: [],
      lacks: found[0] ?? null,
      registrationLimit: event.registrationLimit,
      houseSize: event.houseSize,
      fullChance: past && registered > 0 ? expect(past, registered, event.houseSize).fullChance : null,
      missing: found.length,
      gravest: found[0]?.severity ?? null,
      blocks: plan.segments.map((row, i) => ({ title: sheet[i]!.title, startAt: row.startAt, endAt: row.endAt })),
    };
  });
}
