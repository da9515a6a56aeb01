import { and, asc, desc, eq, gte, inArray, isNotNull, isNull, lt, sql, type SQL } from "drizzle-orm";
import type { SeasonDate } from "@/contracts";
import type { Phase } from "@/core/people";
import { dayMs } from "@/core/time";
import { isCountedRole } from "../../db/queries/roles";
import { holdsWords } from "../../db/queries/words";
import { events, occurrences, tickets } from "../../db/schema";
import type { TeamMember } from "../ground/access";
import type { Context } from "../ground/context";
import { filled, folded, type Row } from "./season-lines";

/** What the season is narrowed to. */
export interface SeasonFilter {
  readonly words?: string;
  readonly state?: "draft" | "published" | "live" | "missing";
  readonly producerId?: string;
  /** dates that begin between these instants, the second left out */
  readonly from?: number;
  readonly until?: number;
}

/** Events a member may see: an owner all, others those on whose list they are. */
export const visibleTo = (member: TeamMember): SQL | undefined =>
  member.standing === "owner"
    ? undefined
    : sql`exists (select 1 from ${tickets} where ${tickets.eventId} = ${events.id} and ${tickets.personId} = ${member.personId} and ${tickets.occurrenceId} is null and ${tickets.revokedAt} is null)`;

/** Titles that hold these words; none: every title. */
const titled = (filter: SeasonFilter): SQL | undefined => holdsWords(sql`${events.title}`, filter.words);

/** A slot that was given back or moved away from is nobody's date. */
const isTaken = sql`(${occurrences.kind} <> 'slot' or exists (select 1 from ${tickets} where ${tickets.occurrenceId} = ${occurrences.id} and ${isCountedRole(tickets.role)} and ${tickets.status} = 'registered' and ${tickets.revokedAt} is null))`;

function narrowed(filter: SeasonFilter): (SQL | undefined)[] {
  return [
    isTaken,
    titled(filter),
    filter.from === undefined ? undefined : gte(occurrences.startAt, filter.from),
    filter.until === undefined ? undefined : lt(occurrences.startAt, filter.until),
    filter.state === "draft" ? isNull(events.publishedAt) : undefined,
    filter.state === "published" ? isNotNull(events.publishedAt) : undefined,
    filter.state === "live" ? inArray(occurrences.phase, ["backstage", "open"]) : undefined,
    filter.producerId
      ? sql`exists (select 1 from ${tickets} where ${tickets.eventId} = ${events.id} and ${tickets.personId} = ${filter.producerId} and ${tickets.role} = 'producer' and ${tickets.revokedAt} is null)`
      : undefined,
  ];
}

/** Which dates: the member's own, within a range and a filter. */
const wantedDates = (
  member: TeamMember,
  filter: SeasonFilter,
  range: { from: number; to: number },
  phases: readonly Phase[],
): SQL | undefined =>
  and(
    eq(occurrences.organisationId, member.organisationId),
    isNull(events.deletedAt),
    gte(occurrences.endAt, range.from),
    lt(occurrences.startAt, range.to),
    inArray(occurrences.phase, [...phases]),
    visibleTo(member),
    ...narrowed(filter),
  );

/** The board's lines, a series as one: looked through by what tells that alone, and only those shown read whole. */
async function boardLines(
  context: Context,
  member: TeamMember,
  filter: SeasonFilter,
  range: { from: number; to: number },
) {
  const { id, seriesId, phase, startAt, zone } = occurrences;
  const briefs = await context.db
    .select({ occurrence: { id, seriesId, phase, startAt, zone } })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(wantedDates(member, filter, range, ahead))
    .orderBy(asc(occurrences.startAt), asc(occurrences.id))
    .limit(looked);
  const shown = folded(briefs).slice(0, boardLimit + 1);
  const rows = await context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(
      inArray(
        occurrences.id,
        shown.map(({ row }) => row.occurrence.id),
      ),
    );
  const rowOf = new Map(rows.map((row) => [row.occurrence.id, row]));
  const lines = shown.flatMap(({ row, later }) => {
    const whole = rowOf.get(row.occurrence.id);
    return whole ? [{ row: whole, later }] : [];
  });
  return { lines, hasMore: briefs.length === looked };
}

async function datesWhere(
  context: Context,
  member: TeamMember,
  filter: SeasonFilter,
  range: { from: number; to: number },
  order: "soonest" | "latest",
  limit: number,
  phases: readonly Phase[],
): Promise<Row[]> {
  return context.db
    .select({ event: events, occurrence: occurrences })
    .from(occurrences)
    .innerJoin(events, eq(events.id, occurrences.eventId))
    .where(wantedDates(member, filter, range, phases))
    .orderBy(order === "soonest" ? asc(occurrences.startAt) : desc(occurrences.startAt), asc(occurrences.id))
    .limit(limit);
}

const ahead = ["scheduled", "backstage", "open"] as const;
const over = ["ended", "not-held", "cancelled"] as const;
export const boardLimit = 40;
export const pastLimit = 40;
/** Dates that are looked through for the board: a weekly series takes one line of it. */
const looked = 400;
/** What is missing is found by looking at each date: of so many, the first that lack something are shown. */
const searchedForMissing = 400;
const monthLimit = 400;

export interface Season {
  readonly now: number;
  readonly ahead: readonly SeasonDate[];
  /** more dates lie ahead than are shown */
  readonly hasMore: boolean;
  readonly past: readonly SeasonDate[];
  readonly standing: readonly {
    readonly eventId: string;
    readonly title: string;
    readonly slug: string;
    readonly roomCode: string;
  }[];
}

/** Rooms without fixed time that are not open just now. */
async function standingRooms(context: Context, member: TeamMember, filter: SeasonFilter): Promise<Season["standing"]> {
  const isOpen = sql`exists (select 1 from ${occurrences} where ${occurrences.eventId} = ${events.id} and ${occurrences.phase} in ('scheduled', 'backstage', 'open'))`;
  const rows = await context.db
    .select({ eventId: events.id, title: events.title, slug: events.slug, roomCode: events.roomCode })
    .from(events)
    .where(
      and(
        eq(events.organisationId, member.organisationId),
        eq(events.shape, "standing"),
        eq(events.isUnplanned, false),
        isNull(events.deletedAt),
        sql`not ${isOpen}`,
        visibleTo(member),
        titled(filter),
      ),
    )
    .orderBy(desc(events.createdAt))
    .limit(20);
  return rows.map((row) => ({ ...row, roomCode: row.roomCode ?? "" }));
}

/** The member's dates: what is on and ahead, soonest first, and the last past ones. */
export async function season(context: Context, member: TeamMember, filter: SeasonFilter = {}): Promise<Season> {
  const now = context.clock.now();
  const isForMissing = filter.state === "missing";
  const range = { from: now - dayMs, to: now + 800 * dayMs };
  const [{ lines, hasMore }, pastRows, standing] = await Promise.all([
    isForMissing
      ? datesWhere(context, member, filter, range, "soonest", searchedForMissing, ahead).then((rows) => ({
          lines: rows.map((row) => ({ row, later: [] as SeasonDate["later"] })),
          hasMore: rows.length === searchedForMissing,
        }))
      : boardLines(context, member, filter, range),
    filter.state && filter.state !== "published"
      ? []
      : datesWhere(context, member, filter, { from: 0, to: now }, "latest", pastLimit, over),
    standingRooms(context, member, filter),
  ]);
  const [dates, past] = await Promise.all([
    filled(
      context,
      member,
      lines.map(({ row }) => row),
      true,
    ),
    filled(context, member, pastRows, false),
  ]);
  const laterOf = new Map(lines.map(({ row, later }) => [row.occurrence.id, later]));
  const wanted = (isForMissing ? dates.filter((date) => date.missing > 0) : dates).map((date) => ({
    ...date,
    later: laterOf.get(date.occurrenceId) ?? [],
  }));
  return {
    now,
    ahead: wanted.slice(0, boardLimit),
    hasMore: wanted.length > boardLimit || hasMore,
    past,
    standing,
  };
}

/** Dates between two instants, for the month. */
export async function datesBetween(
  context: Context,
  member: TeamMember,
  from: number,
  to: number,
  filter: SeasonFilter = {},
): Promise<readonly SeasonDate[]> {
  return filled(
    context,
    member,
    await datesWhere(context, member, filter, { from, to }, "soonest", monthLimit, [...ahead, ...over]),
    false,
  );
}

export interface SeasonPage {
  readonly dates: readonly SeasonDate[];
  readonly total: number;
}

/** The season as a list, page by page: what lies ahead, soonest first, then what is over, the last first. */
export async function seasonList(
  context: Context,
  member: TeamMember,
  filter: SeasonFilter,
  page: number,
  pageSize = 50,
): Promise<SeasonPage> {
  if (filter.state === "missing") return missingList(context, member, filter, page, pageSize);
  const where = and(
    eq(occurrences.organisationId, member.organisationId),
    isNull(events.deletedAt),
    visibleTo(member),
    ...narrowed(filter),
  );
  const isOver = sql`${occurrences.phase} in ('ended', 'not-held', 'cancelled')`;
  const soonest = sql`case when ${isOver} then null else ${occurrences.startAt} end asc nulls last`;
  const from = () =>
    context.db
      .select({ event: events, occurrence: occurrences })
      .from(occurrences)
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(where);
  const [rows, [counted]] = await Promise.all([
    from()
      .orderBy(soonest, desc(occurrences.startAt), asc(occurrences.id))
      .limit(pageSize)
      .offset(page * pageSize),
    context.db
      .select({ n: sql<number>`count(*)::int` })
      .from(occurrences)
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .where(where),
  ]);
  return { dates: await filled(context, member, rows, false), total: counted?.n ?? 0 };
}

/** The dates ahead that lack something, page by page. What is missing is found by looking at each. */
async function missingList(
  context: Context,
  member: TeamMember,
  filter: SeasonFilter,
  page: number,
  pageSize: number,
): Promise<SeasonPage> {
  const now = context.clock.now();
  const range = { from: now - dayMs, to: now + 800 * dayMs };
  const rows = await datesWhere(context, member, filter, range, "soonest", searchedForMissing, ahead);
  const missing = (await filled(context, member, rows, true)).filter((date) => date.missing > 0);
  return { dates: missing.slice(page * pageSize, (page + 1) * pageSize), total: missing.length };
}
