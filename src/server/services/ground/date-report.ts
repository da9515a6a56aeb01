import { and, eq, inArray, isNull, or, sql } from "drizzle-orm";
import {
  connectionsOf,
  corrected,
  keyAfter,
  personKeyOf,
  untilEnd,
  type Correction,
  type EntryKeyed,
} from "@/core/attendance";
import type { Role } from "@/core/people";
import { isStageRole } from "@/core/people";
import { attendanceReport, playedSegments, type AttendanceReport, type ReportPerson } from "@/core/reports";
import { handCounts, type RoomState } from "@/core/room";
import type { Db } from "../../db/client";
import { people, segments, tickets, type events, type occurrences } from "../../db/schema";
import { rowsOfFloor } from "../../db/queries/floor-rows";
import { roomOf } from "../../db/queries/journal";
import type { IntervalSet } from "@/core/time";
import { creditRuleOf } from "./credit-rule";
import { awayDuring, correctionsOf, type CorrectionRow } from "./corrections";
import type { Context } from "./context";
import { houseStays, type StayRow } from "./house-stays";
import { whileTheSame } from "./kept-report";

export type EntryRow = EntryKeyed;

export interface DateReport {
  readonly room: RoomState;
  readonly report: AttendanceReport;
  /** as they count: put right by hand, and each under the line it belongs to */
  readonly entries: readonly EntryRow[];
  /** as they were written down */
  readonly rawEntries: readonly EntryRow[];
  readonly corrections: readonly CorrectionRow[];
  /** spans of the curtain in which the server itself was away */
  readonly away: IntervalSet;
  readonly people: ReadonlyMap<string, ReportPerson>;
  /** what each line was called before any was merged */
  readonly rawNames: ReadonlyMap<string, string>;
  /** whose line it is, where somebody of the book stands behind it */
  readonly persons: ReadonlyMap<string, { readonly personId: string; readonly ticketId: string | null }>;
}

type EventRow = typeof events.$inferSelect;
type OccurrenceRow = typeof occurrences.$inferSelect;
interface Known {
  readonly personKey: string;
  readonly personId: string;
  readonly name: string;
  readonly email: string;
  readonly role: Role;
  readonly isRegistered: boolean;
}

async function ticketPeople(db: Db, event: EventRow, occurrence: OccurrenceRow): Promise<Known[]> {
  const rows = await db
    .select({
      id: tickets.id,
      personId: tickets.personId,
      role: tickets.role,
      status: tickets.status,
      source: tickets.source,
      name: people.name,
      email: people.email,
    })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(eq(tickets.eventId, event.id), or(eq(tickets.occurrenceId, occurrence.id), isNull(tickets.occurrenceId))),
    )
    .orderBy(tickets.registeredAt, tickets.id);
  return rows.map(({ id, personId, role, status, source, name, email }) => ({
    personKey: id,
    personId,
    name: name ?? "",
    email: email ?? "",
    role,
    isRegistered: !isStageRole(role) && status === "registered" && source !== "import",
  }));
}

async function counts(
  db: Db,
  occurrenceId: string,
): Promise<{ questions: Map<string, number>; votes: Map<string, number>; checks: Map<string, number> }> {
  const asked = await db.execute(
    sql`select asker_ticket_id as id, count(*)::int as n from questions where occurrence_id = ${occurrenceId} and not is_anonymous group by 1`,
  );
  const voted = await db.execute(sql`select id, sum(n)::int as n from (
      select b.ticket_id as id, count(distinct b.poll_id) as n from ballots b join polls p on p.id = b.poll_id where p.occurrence_id = ${occurrenceId} group by 1
      union all select v.ticket_id, count(*) from question_votes v join questions q on q.id = v.question_id where q.occurrence_id = ${occurrenceId} group by 1
    ) both_kinds group by 1`);
  const checked = await db.execute(sql`
    select b.ticket_id as id, count(*)::int as n from polls p cross join lateral jsonb_array_elements(p.questions) q
    join ballots b on b.poll_id = p.id and b.question_id = q->>'id'
    where p.occurrence_id = ${occurrenceId} and q->>'kind' = 'presence-check' group by 1`);
  const map = (rows: Record<string, unknown>[]) => new Map(rows.map((row) => [String(row["id"]), Number(row["n"])]));
  return { questions: map(asked.rows), votes: map(voted.rows), checks: map(checked.rows) };
}

/** People who came without a ticket: from imports and open rooms. */
async function guestPeople(
  db: Db,
  rows: readonly StayRow[],
  keyOf: (row: StayRow) => string,
  known: ReadonlySet<string>,
): Promise<Known[]> {
  const guests = new Map<string, StayRow>();
  for (const row of rows) if (!known.has(keyOf(row)) && !guests.has(keyOf(row))) guests.set(keyOf(row), row);
  const ids = [...guests.values()].map((row) => row.personId).filter((id) => id !== null);
  const named = ids.length === 0 ? [] : await db.select().from(people).where(inArray(people.id, ids));
  const byId = new Map(named.map((one) => [one.id, one]));
  return [...guests].map(([personKey, row]) => {
    const person = row.personId ? byId.get(row.personId) : undefined;
    return {
      personKey,
      personId: row.personId ?? "",
      name: person?.name ?? "",
      email: person?.email ?? "",
      role: row.role as Role,
      isRegistered: false,
    };
  });
}

const keyOfStay =
  (emailById: ReadonlyMap<string, string>, ticketByEmail: ReadonlyMap<string, string>) => (row: StayRow) =>
    personKeyOf(
      {
        ticketId: row.ticketId,
        provenEmail: row.personId ? (emailById.get(row.personId) ?? null) : null,
        chainId: row.chainId,
      },
      ticketByEmail,
    );
const entryFrom =
  (keyOf: (row: StayRow) => string) =>
  (row: StayRow): EntryRow => ({
    entryKey: `${row.connectionId}@${row.fromAt}`,
    personKey: keyOf(row),
    device: row.device,
    inAt: row.fromAt,
    outAt: row.toAt,
    lastSignAt: row.lastSignAt,
    role: row.role as Role,
  });

/** What each of them did in the room, by their own line. */
async function withCounts(db: Db, occurrenceId: string, all: readonly Known[]): Promise<ReportPerson[]> {
  const { questions, votes, checks } = await counts(db, occurrenceId);
  const hands = handCounts(await rowsOfFloor(db, occurrenceId));
  return all.map((one) => ({
    ...one,
    questions: questions.get(one.personKey) ?? 0,
    votes: votes.get(one.personKey) ?? 0,
    hands: hands.get(one.personKey) ?? 0,
    checks: checks.get(one.personKey) ?? 0,
  }));
}

/** Segments that carry the credit. */
async function creditSegments(db: Db, occurrenceId: string): Promise<ReadonlySet<string>> {
  const rows = await db
    .select({ id: segments.id })
    .from(segments)
    .where(and(eq(segments.occurrenceId, occurrenceId), eq(segments.carriesCredit, true)));
  return new Set(rows.map((row) => row.id));
}

/** Everything that a date's report is computed from and the report itself (rule 13). */
export async function dateReport(context: Context, event: EventRow, occurrence: OccurrenceRow): Promise<DateReport> {
  const compute = () => computed(context, event, occurrence);
  if (occurrence.phase !== "ended") return compute();
  const about = { eventId: event.id, occurrenceId: occurrence.id, more: [creditRuleOf(event), occurrence.startAt] };
  return whileTheSame(context.db, about, ({ entries, people }) => entries.length + people.size, compute);
}

async function computed(context: Context, event: EventRow, occurrence: OccurrenceRow): Promise<DateReport> {
  const { db } = context;
  const room = await roomOf(db, occurrence.id);
  const rows = await houseStays(db, occurrence.id);
  const folk = await ticketPeople(db, event, occurrence);
  const ticketByEmail = new Map(folk.filter((one) => one.email !== "").map((one) => [one.email, one.personKey]));
  const keyOf = keyOfStay(await importedEmails(db, rows), ticketByEmail);
  const all = [...folk, ...(await guestPeople(db, rows, keyOf, new Set(folk.map((one) => one.personKey))))];
  const reportPeople = await withCounts(db, occurrence.id, all);
  const connections = connectionsOf(rows).map(entryFrom(keyOf));
  const entries = room.hour.isImported ? connections : untilEnd(connections, room.hour.endedAt);
  const now = context.clock.now();
  const [marks, away] = await Promise.all([
    correctionsOf(db, occurrence.id),
    awayDuring(db, occurrence.startAt, room.hour, now),
  ]);
  const corrections = marks.flatMap((one): Correction[] => (one.undoneAt === null ? [one.correction] : []));
  const report = attendanceReport({
    connections: entries,
    people: reportPeople,
    curtainSpans: room.hour.curtainSpans,
    // a segment ends with the show: once the curtain has fallen for good nobody can be present
    played: playedSegments(room.cues.given, room.hour.curtainSpans.at(-1)?.droppedAt ?? room.hour.endedAt ?? now),
    credit: creditRuleOf(event),
    creditSegmentIds: await creditSegments(db, occurrence.id),
    now,
    away,
    corrections,
  });
  const tickets = new Set(folk.map((one) => one.personKey));
  const persons = new Map(
    all
      .filter((one) => one.personId !== "")
      .map(({ personKey, personId }) => [personKey, { personId, ticketId: tickets.has(personKey) ? personKey : null }]),
  );
  const after = keyAfter(corrections);
  return {
    room,
    report,
    entries: corrected(entries, corrections),
    rawEntries: entries,
    corrections: marks,
    away,
    people: peopleOf(report.lines, reportPeople, after),
    rawNames: new Map(reportPeople.map((one) => [one.personKey, one.name])),
    persons,
  };
}

/** Everybody by every key they had: whoever was merged into another line is found by their own too. */
function peopleOf(
  lines: readonly ReportPerson[],
  known: readonly ReportPerson[],
  after: (key: string) => string,
): ReadonlyMap<string, ReportPerson> {
  const byKey = new Map<string, ReportPerson>(lines.map((one) => [one.personKey, one]));
  return new Map(known.map((one) => [one.personKey, byKey.get(after(one.personKey)) ?? one]));
}

async function importedEmails(db: Db, rows: readonly StayRow[]): Promise<ReadonlyMap<string, string>> {
  const ids = [...new Set(rows.map((row) => row.personId).filter((id) => id !== null))];
  if (ids.length === 0) return new Map();
  const found = await db.select({ id: people.id, email: people.email }).from(people).where(inArray(people.id, ids));
  return new Map(found.filter((one) => one.email !== null).map((one) => [one.id, one.email!]));
}
