import { sql, type SQL } from "drizzle-orm";
import { LRUCache } from "lru-cache";
import { minuteMs } from "@/core/time";
import type { Db } from "../../db/client";

/** How many rows there are and which versions of them: any that is written, taken away or changed tells (PostgreSQL 15, 5.5, xmin). */
const versions = (of: string, from: SQL): SQL =>
  sql`(select concat(count(*), '/', sum(${sql.raw(of)}.xmin::text::bigint)) from ${from})`;

/**
 * What a date's report is computed from, in a few words: two that are alike have the same report. It costs a small part
 * of reading all of it. Whatever `dateReport` begins to read belongs in here.
 */
async function reportSign(db: Db, eventId: string, occurrenceId: string): Promise<string> {
  const ofDate = sql`occurrence_id = ${occurrenceId}`;
  const own = sql`(t.event_id = ${eventId} and (t.occurrence_id = ${occurrenceId} or t.occurrence_id is null))`;
  const parts = [
    versions("s", sql`stays s where s.${ofDate}`),
    versions("t", sql`tickets t where ${own}`),
    versions("p", sql`people p join tickets t on t.person_id = p.id where ${own}`),
    versions("p", sql`people p where p.id in (select person_id from stays where ${ofDate} and person_id is not null)`),
    versions("r", sql`rooms r where r.${ofDate}`),
    versions("c", sql`room_checkpoints c join rooms r on r.id = c.room_id where r.${ofDate}`),
    versions("j", sql`journal j join rooms r on r.id = j.room_id where r.${ofDate}`),
    versions("q", sql`questions q where q.${ofDate}`),
    versions("v", sql`question_votes v join questions q on q.id = v.question_id where q.${ofDate}`),
    versions("p", sql`polls p where p.${ofDate}`),
    versions("b", sql`ballots b join polls p on p.id = b.poll_id where p.${ofDate}`),
    versions("c", sql`corrections c where c.${ofDate}`),
    versions("g", sql`segments g where g.${ofDate}`),
    versions("a", sql`server_away a`),
  ];
  const { rows } = await db.execute(sql`select concat_ws(';', ${sql.join(parts, sql`, `)}) as sign`);
  return String(rows[0]!["sign"]);
}

interface Kept {
  readonly sign: string;
  readonly report: object;
  readonly size: number;
}
const kept = new LRUCache<string, Kept>({
  maxSize: 200_000,
  sizeCalculation: ({ size }) => size + 1,
  ttl: 10 * minuteMs,
  // names are not held longer than they are read
  ttlAutopurge: true,
});

/**
 * The report of a date that is over, kept for as long as nothing that it is computed from has changed: whoever reads one
 * goes from page to page of it, and the largest take a second each.
 * @param about which date, and what besides rows decides @param sizeOf how many things it holds
 */
export async function whileTheSame<Report extends object>(
  db: Db,
  { eventId, occurrenceId, more }: { readonly eventId: string; readonly occurrenceId: string; readonly more: unknown },
  sizeOf: (report: Report) => number,
  compute: () => Promise<Report>,
): Promise<Report> {
  const sign = `${JSON.stringify(more)} ${await reportSign(db, eventId, occurrenceId)}`;
  const known = kept.get(occurrenceId);
  if (known?.sign === sign) return known.report as Report;
  const report = await compute();
  kept.set(occurrenceId, { sign, report, size: sizeOf(report) });
  return report;
}
