import { and, eq, isNotNull, sql } from "drizzle-orm";
import { heatLane, laneOf, type Lane } from "@/core/reports";
import { floorRecord } from "@/core/room";
import { isCounted } from "../../db/queries/counted";
import { rowsOfFloor } from "../../db/queries/floor-rows";
import type { Db } from "../../db/client";
import { polls, recordings } from "../../db/schema";
import type { DateReport } from "../ground/date-report";
import { servedSeconds } from "./own-recording";
import type { watchingOfDate } from "./watching";

/** Each lane is drawn of so many steps. */
export const laneSteps = 180;
const mostMoments = 50_000;

const momentsOf = async (db: Db, query: ReturnType<typeof sql>): Promise<number[]> =>
  (
    await db.execute(sql`select extract(epoch from at)::float8 * 1000 as at from (${query}) m limit ${mostMoments}`)
  ).rows.map((row) => Number(row["at"]));

/** What people of the audience did, as instants: never who. */
async function momentsOfDate(db: Db, id: string) {
  const room = sql`select id from rooms where occurrence_id = ${id} and parent_id is null`;
  const [questions, votes, chat, signals, mails, floor, opened] = await Promise.all([
    momentsOf(db, sql`select asked_at as at from questions where occurrence_id = ${id} and recording_seconds is null`),
    momentsOf(
      db,
      sql`select v.at from question_votes v join questions q on q.id = v.question_id where q.occurrence_id = ${id}
        union all select b.at from ballots b join polls p on p.id = b.poll_id where p.occurrence_id = ${id}`,
    ),
    momentsOf(db, sql`select at from chat_lines where room_id in (${room}) and target = 'all' and state <> 'moved'`),
    momentsOf(db, sql`select s.at from signals s where s.room_id in (${room}) and ${isCounted(sql`s.ticket_id`)}`),
    momentsOf(db, sql`select sent_at as at from messages where occurrence_id = ${id} and sent_at is not null`),
    rowsOfFloor(db, id),
    db
      .select({ at: polls.openedAt })
      .from(polls)
      .where(and(eq(polls.occurrenceId, id), isNotNull(polls.openedAt))),
  ]);
  return {
    questions,
    votes,
    chat,
    signals,
    mails,
    hands: floor.flatMap(({ at, body }) => (body.type === "floor.hand-raised" ? [at] : [])),
    floor: floorRecord(floor).flatMap(({ acceptedAt }) => (acceptedAt === null ? [] : [acceptedAt])),
    polls: opened.map(({ at }) => at!),
  };
}

/** When the recording's first second was live: the first instant that is kept of it. */
async function recordedFrom(db: Db, occurrenceId: string) {
  const rows = await db.select().from(recordings).where(eq(recordings.occurrenceId, occurrenceId)).limit(20);
  return new Map(rows.map((row) => [row.id, { startAt: row.spans?.[0]?.from ?? null, seconds: servedSeconds(row) }]));
}

/** Everything that can be laid under a date's house curve, from one instant to another. */
export async function lanesOfDate(
  db: Db,
  occurrenceId: string,
  data: DateReport,
  watched: Awaited<ReturnType<typeof watchingOfDate>>,
  from: number,
  to: number,
): Promise<readonly Lane[]> {
  const moments = await momentsOfDate(db, occurrenceId);
  const counted = data.report.lines.filter((line) => line.role === "attendee");
  const presences = counted.map((line) => data.report.presence.get(line.personKey) ?? []);
  const of = {
    ...moments,
    entries: presences.flatMap((set) => set.map(({ start }) => start)),
    leavings: presences.flatMap((set) => set.map(({ end }) => end)),
  };
  const lanes = Object.entries(of).map(([kind, list]) => laneOf(kind as keyof typeof of, list, from, to, laneSteps));
  const starts = await recordedFrom(db, occurrenceId);
  const [first] = [...watched].sort((a, b) => b.viewCount - a.viewCount);
  const startAt = first && (starts.get(first.id)?.startAt ?? data.report.show.at(0)?.start ?? null);
  if (!first || startAt === null || startAt === undefined || first.viewCount === 0) return lanes;
  return [...lanes, heatLane(first.heat, { startAt, durationSeconds: first.durationSeconds }, from, to, laneSteps)];
}
