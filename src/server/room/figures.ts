import { sql } from "drizzle-orm";
import { tallyOf, type Choice, type PollKind, type Tallies } from "@/core/polls";
import type { RoomFigures } from "@/core/room";
import { groupBy } from "@/core/shared";
import type { Db } from "../db/client";
import { isStage } from "../db/queries/roles";
import { isCounted } from "../db/queries/counted";

type Row = Record<string, unknown>;
const rowsOf = async (db: Db, query: ReturnType<typeof sql>): Promise<Row[]> => (await db.execute(query)).rows as Row[];

/** Rows of equal choices, counted, as the tallies of their polls. */
function talliesFrom(rows: readonly Row[]): ReadonlyMap<string, Tallies> {
  const polls = [...groupBy(rows, (row) => String(row["poll_id"]))].map(([pollId, cast]) => {
    const questions = [...groupBy(cast, (row) => String(row["question_id"]))].map(([questionId, alike]) => {
      const choices = alike.map((row) => ({ choice: row["choice"] as Choice, people: Number(row["n"]) }));
      return [questionId, tallyOf({ kind: alike[0]!["kind"] as PollKind }, choices)] as const;
    });
    return [pollId, Object.fromEntries(questions)] as const;
  });
  return new Map(polls);
}

/** What came together in every poll of a date, test guests left out. */
export async function loadTallies(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, Tallies>> {
  const rows = await rowsOf(
    db,
    sql`select b.poll_id, b.question_id, b.choice, q.kind, count(*)::int as n from polls p
      join ballots b on b.poll_id = p.id
      cross join lateral (select one->>'kind' as kind from jsonb_array_elements(p.questions) one where one->>'id' = b.question_id) q
      where p.occurrence_id = ${occurrenceId} and ${isCounted(sql`b.ticket_id`)} group by 1, 2, 3, 4`,
  );
  return talliesFrom(rows);
}

/** Who is connected now and where, votes of open questions, ballots of polls: merged, one read each. */
export async function loadFigures(
  db: Db,
  occurrenceId: string,
  aliveSince: number,
  overflowSince = aliveSince,
): Promise<Omit<RoomFigures, "signals" | "feeds" | "space">> {
  const alive = new Date(aliveSince).toISOString();
  const watching = new Date(overflowSince).toISOString();
  const [present, votes, tallies, overflow] = await Promise.all([
    rowsOf(
      db,
      sql`select ticket_id, bool_or(place <> 'foyer') as inside, bool_or(${isStage(sql`role`)}) as stage,
        max(coalesce(level, 0)) filter (where device = 'phone-line') as caller, count(distinct connection_id)::int as devices
        from stays where occurrence_id = ${occurrenceId} and to_at is null and last_sign_at > ${alive} and ticket_id is not null group by ticket_id`,
    ),
    rowsOf(
      db,
      sql`select coalesce(q.merged_into, q.id) as id, count(distinct v.ticket_id)::int as n from questions q join question_votes v on v.question_id = q.id where q.occurrence_id = ${occurrenceId} and ${isCounted(sql`v.ticket_id`)} group by 1`,
    ),
    loadTallies(db, occurrenceId),
    rowsOf(
      db,
      sql`select count(*)::int as n from overflow_watchers where occurrence_id = ${occurrenceId} and last_at > ${watching}`,
    ),
  ]);
  const placeOf = (row: Row) => (row["stage"] ? "stage" : row["inside"] ? "house" : "foyer");
  return {
    present: new Map(present.map((row) => [String(row["ticket_id"]), placeOf(row)] as const)),
    callers: new Map(
      present
        .filter((row) => row["caller"] !== null)
        .map((row) => [String(row["ticket_id"]), Number(row["caller"])] as const),
    ),
    devices: new Map(
      present
        .filter((row) => Number(row["devices"]) > 1)
        .map((row) => [String(row["ticket_id"]), Number(row["devices"])]),
    ),
    votes: new Map(votes.map((row) => [String(row["id"]), Number(row["n"])])),
    tallies,
    overflow: Number(overflow[0]!["n"]),
  };
}
