import { eq, sql } from "drizzle-orm";
import { makeChance } from "../scripts/demo/chance";
import { demoTeam } from "../scripts/demo/seed";
import { members, user } from "../src/server/db/schema";
import { dateArchive } from "../src/server/services/afterwards/date-archive";
import type { TeamMember } from "../src/server/services/ground/access";
import type { Context } from "../src/server/services/ground/context";
import { appendRows } from "../src/server/services/ground/room/commands";
import { compareDates } from "../src/server/services/overview/compare";
import { countHeld } from "../src/server/services/overview/count-held";
import { yearOf } from "../src/server/services/overview/year";
import { makeContext } from "../src/server/worker";
import type { BusyDate } from "../tests/support/busy-date";
import { record, say, spread } from "./figures";
import { makeDate } from "./live";
import { frames, signIn } from "./frames";
import { aBrowser, ownServer } from "./own-server";

const minuteMs = 60_000;
const rounds = 7;

async function timed(run: () => Promise<unknown>, times = rounds): Promise<number[]> {
  const found: number[] = [];
  for (let i = 0; i < times; i += 1) {
    const from = performance.now();
    await run();
    found.push(performance.now() - from);
  }
  return found;
}

/** A date that was held for an hour: so many stays each, questions and lines of the chat, all in one statement a kind. */
async function hold(context: Context, date: BusyDate, stays: number, questions: number, lines: number): Promise<void> {
  const { db } = context;
  const { occurrenceId, organisationId } = date;
  const from = context.clock.now() - 60 * minuteMs;
  const at = new Date(from).toISOString();
  await context.db.transaction((tx) =>
    appendRows(context, tx, occurrenceId, () => [
      { type: "hour.show-imported", raisedAt: from, droppedAt: from + 60 * minuteMs },
    ]),
  );
  const { rows } = await db.execute(
    sql`select id from rooms where occurrence_id = ${occurrenceId} and parent_id is null`,
  );
  const roomId = String(rows[0]!["id"]);
  const here = sql`from tickets t where t.occurrence_id = ${occurrenceId} and t.role = 'attendee'`;
  await db.execute(sql`
    insert into stays (id, organisation_id, occurrence_id, room_id, connection_id, ticket_id, chain_id, role, device, place, from_at, last_sign_at, to_at)
    select gen_random_uuid(), ${organisationId}, ${occurrenceId}, ${roomId}, gen_random_uuid(), t.id, t.id::text, 'attendee', 'computer', 'house',
      ${at}::timestamptz + make_interval(secs => n * 700 + random() * 200),
      ${at}::timestamptz + make_interval(secs => n * 700 + 300 + random() * 380),
      ${at}::timestamptz + make_interval(secs => n * 700 + 300 + random() * 380)
    from (select t.id ${here}) t, generate_series(0, ${stays - 1}) n`);
  await db.execute(sql`
    insert into questions (id, organisation_id, occurrence_id, asker_ticket_id, text, asked_at)
    select gen_random_uuid(), ${organisationId}, ${occurrenceId}, t.id, 'How long do the flocks stay?', ${at}::timestamptz + make_interval(secs => random() * 3500)
    from (select t.id ${here} order by t.id limit ${questions}) t`);
  await db.execute(sql`
    insert into chat_lines (room_id, topic, seq, rev, organisation_id, line_id, author_ticket_id, target, text, state, at)
    select ${roomId}, 'chat:all', n, n, ${organisationId}, gen_random_uuid(), ${date.attendees[0]!.ticketId}, 'all', 'Here too', 'shown',
      ${at}::timestamptz + make_interval(secs => random() * 3500)
    from generate_series(1, ${lines}) n`);
}

async function owner(context: Context): Promise<TeamMember> {
  const [row] = await context.db
    .select({ member: members })
    .from(members)
    .innerJoin(user, eq(user.id, members.userId))
    .where(eq(user.email, demoTeam[0].email));
  return row!.member;
}

async function pages(date: BusyDate): Promise<void> {
  const { origin, stop } = await ownServer();
  const browser = await aBrowser();
  const page = await browser.newPage({ viewport: { width: 1280, height: 800 } });
  await signIn(page, origin);
  const report = `${origin}/events/${date.eventId}/afterwards/${date.occurrenceId}`;
  const served: number[] = [];
  const painted: number[] = [];
  for (let i = 0; i < rounds; i += 1) {
    await page.goto(report);
    const [server, paint] = await page.evaluate<[number, number]>(`(() => {
      const [at] = performance.getEntriesByType("navigation");
      const first = performance.getEntriesByName("first-contentful-paint")[0];
      return [at.responseStart - at.requestStart, first ? first.startTime : NaN];
    })()`);
    // the first is the process warming up
    if (i > 0) [served, painted].forEach((list, k) => list.push(k === 0 ? server : paint));
  }
  record({ name: "report-10000-server", n: served.length, ...spread(served), cpu: null, bare: null }, "700 ms");
  record(
    { name: "report-10000-first-picture", n: painted.length, ...spread(painted), cpu: null, bare: null },
    "1,500 ms",
  );
  await page.goto(`${report}/people`);
  await page.getByRole("rowgroup", { name: "Rows" }).waitFor();
  const gaps = await frames(page, "[role=rowgroup][aria-label=Rows]");
  record(
    { name: "report-people-frames", n: gaps.length, ...spread(gaps), cpu: null, bare: null },
    "20 ms: 50 a second",
  );
  await browser.close();
  stop();
}

/** Memory that the archive took at most beyond what was there before, in MB, and how long it was written. */
async function archive(context: Context, member: TeamMember, date: BusyDate): Promise<void> {
  globalThis.gc?.();
  const before = process.memoryUsage().rss;
  let most = before;
  const watch = setInterval(() => (most = Math.max(most, process.memoryUsage().rss)), 20);
  let bytes = 0;
  const [ms] = await timed(async () => {
    for await (const chunk of await dateArchive(context, member, date.eventId, date.occurrenceId))
      bytes += (chunk as Buffer).length;
  }, 1);
  clearInterval(watch);
  record({ name: "report-archive", n: 1, median: ms!, p99: ms!, cpu: null, bare: null }, "4,000 ms");
  say(`  ${(bytes / 1e6).toFixed(1)} MB written; memory rose by ${((most - before) / 1e6).toFixed(0)} MB (aim 200)`);
}

/** A year of dates and their people, and twelve of them beside one another. */
async function year(context: Context, member: TeamMember): Promise<void> {
  const chance = makeChance(3);
  const dates: BusyDate[] = [];
  for (let i = 0; i < 300; i += 1) {
    const date = await makeDate(i < 12 ? 400 : 1);
    dates.push(date);
    await hold(context, date, i < 12 ? 2 : 1, 0, 0);
  }
  while ((await countHeld(context, 100)) > 0);
  // what 400 people each would have left of the others: the kept figures are what the year is read from
  await context.db.execute(
    sql`update date_figures set registered = 400, came = ${Math.round(chance.between(180, 240))} where came < 2`,
  );
  const wanted = new Date(context.clock.now()).getUTCFullYear();
  const took = await timed(() => yearOf(context, member, wanted));
  record({ name: "report-year", n: took.length, ...spread(took.slice(1)), cpu: null, bare: null }, "300 ms");
  const [first, ...others] = dates.slice(0, 12);
  const beside = await timed(() =>
    compareDates(
      context,
      member,
      first!.eventId,
      first!.occurrenceId,
      others.map((one) => one.occurrenceId),
    ),
  );
  record({ name: "report-compare-12", n: beside.length, ...spread(beside.slice(1)), cpu: null, bare: null }, "400 ms");
}

/** What comes after the hour: 10,000 people with five stays each, 3,000 questions, 20,000 lines; a year; twelve dates. */
export async function reportBench(): Promise<void> {
  const { context, close } = await makeContext(process.env);
  const member = await owner(context);
  const date = await makeDate(10_000);
  await hold(context, date, 5, 3000, 20_000);
  await pages(date);
  await archive(context, member, date);
  await year(context, member);
  await close();
}
