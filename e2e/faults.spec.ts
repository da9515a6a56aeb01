import { oneVote } from "../tests/support/polls";
import { expect, test, type Browser, type Page } from "./support/test";
import { parse } from "csv-parse/sync";
import { randomUUID } from "node:crypto";
import { eq, inArray, sql } from "drizzle-orm";
import { ballots, stays, questions, questionVotes } from "../src/server/db/schema";
import { journalLength, roomOf } from "../src/server/services/ground/room/commands";
import { closeLost } from "../src/server/services/hour/presence";
import { makeContext } from "../src/server/worker";
import { SimulatedGuest } from "../src/stand-ins/crowd";
import { makeBusyDate, type BusyDate } from "../tests/support/busy-date";
import { makeInstallation, type Installation, type Server } from "./support/installation";
import { sitAtDesk } from "./support/team";

let installation: Installation;
let tools: Awaited<ReturnType<typeof makeContext>>;
test.beforeAll(async () => {
  installation = await makeInstallation("faults");
  tools = await makeContext({ ...installation.env, STAGE_CALL_CLOCK_FILE: undefined });
});
test.afterAll(async () => {
  await tools?.close().catch(() => {});
  installation?.close();
});

const db = () => tools.context.db;
const phaseOf = (guest: SimulatedGuest) => guest.view["status"]?.["it"]?.["phase"];
const isInHouse = (guest: SimulatedGuest) => "cast" in guest.view;

async function openHouse(server: Server, attendees: number): Promise<{ date: BusyDate; producer: SimulatedGuest }> {
  const date = await makeBusyDate(tools.context, attendees, { areAdmitted: false });
  const producer = new SimulatedGuest(server.origin, date.producer);
  await producer.come();
  await producer.send({ type: "stage.enter" });
  return { date, producer };
}

/** A browser of the attendee's own, on the given server. */
async function seatInBrowser(browser: Browser, server: Server, date: BusyDate, index: number): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: server.origin })).newPage();
  await page.goto(`/enter/${date.attendees[index]!.token}`);
  await page.getByRole("button", { name: "Take my seat" }).click();
  return page;
}

async function deskInBrowser(browser: Browser, server: Server, date: BusyDate): Promise<Page> {
  const page = await (await browser.newContext({ baseURL: server.origin })).newPage();
  await sitAtDesk(page, date);
  await expect(page.getByText(/^Time in /)).toBeVisible();
  return page;
}

test("two server processes on one database serve one room", async () => {
  const [here, there] = [await installation.server(), await installation.server()];
  const { date, producer } = await openHouse(here, 8);
  const guests = date.attendees.map(
    (member, i) => new SimulatedGuest(i % 2 === 0 ? here.origin : there.origin, member),
  );
  for (const guest of guests) await guest.come();
  await producer.send({ type: "hour.open-doors" });
  // the doors bring the foyer in, whatever process a guest is connected to; how quickly is measured by the bench
  await expect.poll(() => guests.filter(isInHouse).length, { timeout: 15_000, intervals: [50] }).toBe(8);
  await producer.send({ type: "polls.open", pollId: date.pollId });
  const questionId = randomUUID();
  await guests[1]!.send({ type: "questions.ask", text: "Asked over there", segmentId: null }, questionId);
  for (const guest of guests) await guest.send(oneVote(date.pollId, "o1"));
  for (const guest of guests)
    if (guest !== guests[1]) await guest.send({ type: "questions.vote", questionId, isFor: true });
  for (const guest of guests) await expect.poll(() => guest.view["votes"]?.[questionId]?.["count"]).toBe(7);
  await producer.send({ type: "polls.reveal", pollId: date.pollId });
  for (const guest of guests)
    await expect
      .poll(() => guest.view["tallies"]?.[date.pollId]?.["byQuestion"])
      .toEqual({ q1: { voters: 8, counts: { o1: 8 } } });
  // the same command to both processes at once: one row
  const before = await journalLength(db(), date.occurrenceId);
  const commandId = randomUUID();
  const same = new SimulatedGuest(there.origin, date.producer);
  const answers = await Promise.all([
    producer.send({ type: "hour.raise-curtain" }, commandId),
    same.send({ type: "hour.raise-curtain" }, commandId),
  ]);
  expect(answers.map((one) => one.ok)).toEqual([true, true]);
  expect(await journalLength(db(), date.occurrenceId)).toBe(before + 1);
  for (const guest of [...guests, producer]) guest.leave();
  here.kill();
  there.kill();
});

test("a server killed with 200 people in the room loses nothing, and screens come back by themselves", async ({
  browser,
}) => {
  const server = await installation.server();
  const { date, producer } = await openHouse(server, 200);
  const desk = await deskInBrowser(browser, server, date);
  const guests = date.attendees.slice(2).map((member) => new SimulatedGuest(server.origin, member));
  for (let i = 0; i < guests.length; i += 20) await Promise.all(guests.slice(i, i + 20).map((guest) => guest.come()));
  const seats = [await seatInBrowser(browser, server, date, 0), await seatInBrowser(browser, server, date, 1)];
  await producer.send({ type: "hour.open-doors" });
  await producer.send({ type: "hour.raise-curtain" });
  await producer.send({ type: "polls.open", pollId: date.pollId });
  await expect.poll(() => guests.filter(isInHouse).length).toBe(198);
  const asked = guests.slice(0, 10).map(() => randomUUID());
  await Promise.all(
    asked.map((id, i) => guests[i]!.send({ type: "questions.ask", text: `Question ${i}`, segmentId: null }, id)),
  );
  await Promise.all(guests.map((guest, i) => guest.send(oneVote(date.pollId, i % 3 === 0 ? "o2" : "o1"))));
  await Promise.all(
    guests.slice(10, 60).map((guest) => guest.send({ type: "questions.vote", questionId: asked[0]!, isFor: true })),
  );
  await Promise.all(guests.map((guest) => guest.sign()));
  // signs of life are written a few times a second; those from before the curtain rose are no presence
  await expect
    .poll(
      async () =>
        (
          await db().execute(
            sql`select count(*)::int as n from stays where occurrence_id = ${date.occurrenceId} and place = 'house'
              and last_sign_at > (select show_started_at from occurrences where id = ${date.occurrenceId})`,
          )
        ).rows[0]!["n"],
    )
    .toBeGreaterThanOrEqual(198);

  server.kill();
  await expect(seats[0]!.getByText("Connection lost.")).toBeVisible();
  await expect(desk.getByText("Connection lost.")).toBeVisible();
  for (const guest of guests) guest.leave();
  await server.start();
  const from = Date.now();
  for (const page of [...seats, desk]) await expect(page.getByText("Connection lost.")).toBeHidden({ timeout: 20_000 });
  console.log(`screens were back ${Date.now() - from} ms after the server was`);
  await expect(
    seats[0]!.getByRole("heading", { name: "A poll for you" }).or(seats[0]!.getByText("A poll for you")),
  ).toBeVisible();

  const room = await roomOf(db(), date.occurrenceId);
  expect([room.hour.phase, room.questions.asked.size, room.polls.polls.get(date.pollId)?.state]).toEqual([
    "open",
    10,
    "open",
  ]);
  expect(await db().$count(questions, eq(questions.occurrenceId, date.occurrenceId))).toBe(10);
  expect(await db().$count(questionVotes, inArray(questionVotes.questionId, asked))).toBe(50);
  expect([
    await db().$count(ballots, eq(ballots.pollId, date.pollId)),
    await db().$count(ballots, sql`poll_id = ${date.pollId} and choice = '["o2"]'`),
  ]).toEqual([198, 66]);

  // those who did not come back end at their last sign of life; nobody is lost from the attendance
  await closeLost({ ...tools.context, clock: { now: () => Date.now() + 60_000 } });
  const rows = await db().select().from(stays).where(eq(stays.occurrenceId, date.occurrenceId));
  const away = rows.filter((row) => guests.some((guest) => guest.member.ticketId === row.ticketId));
  expect(new Set(away.map((row) => row.ticketId)).size).toBe(198);
  expect(away.every((row) => row.toAt !== null && row.toAt >= row.lastSignAt)).toBe(true);
  const back = new SimulatedGuest(server.origin, date.producer);
  expect(await back.send({ type: "hour.end" })).toMatchObject({ ok: true });
  const file = await desk.request.get(`/events/${date.eventId}/dates/${date.occurrenceId}/attendance.csv`);
  const lines = parse(await file.text(), { bom: true, columns: true }) as Record<string, string>[];
  const attendees = lines.filter((line) => line["role"] === "attendee");
  expect(attendees.filter((line) => Number(line["entries"]) > 0)).toHaveLength(200);
  expect(attendees.filter((line) => Number(line["minutes_present"]) > 0).length).toBeGreaterThanOrEqual(198);
  server.kill();
});

test("the database away for a minute: screens say so, then resume, and nothing and nobody is lost", async ({
  browser,
}) => {
  const server = await installation.server();
  const { date, producer } = await openHouse(server, 2);
  const desk = await deskInBrowser(browser, server, date);
  const seat = await seatInBrowser(browser, server, date, 0);
  await producer.send({ type: "hour.open-doors" });
  await expect(seat.getByText("The programme begins shortly")).toBeVisible();
  const visitor = await (await browser.newContext({ baseURL: server.origin })).newPage();
  await visitor.goto("/");
  await visitor.locator('a[href^="/front/"]').first().click();
  await visitor.getByLabel("Your name").fill("Ines Marl");
  await visitor.getByLabel("Mail address").fill("ines.away@example.org");
  await visitor.getByRole("checkbox").last().check();
  const before = await journalLength(db(), date.occurrenceId);
  await tools.close();
  installation.cluster.stop();
  const away = Date.now();
  await expect(desk.getByText("The database does not answer.")).toBeVisible();
  await expect(seat.getByText("The server does not reach its records just now.")).toBeVisible();
  // acts meanwhile are kept and sent when it is back
  await desk.getByRole("button", { name: /Raise it for/ }).click();
  await seat.getByLabel("Ask a question").fill("Asked while the records were away");
  await seat.getByRole("button", { name: "Ask", exact: true }).click();
  await visitor.getByRole("button", { name: "Send me my ticket" }).click();
  await expect(visitor.getByText("One moment: very many people register just now.")).toBeVisible();
  // a minute of a real outage, longer than a sign may be missing: no clock of ours moves the database's
  await expect.poll(() => Date.now() - away, { timeout: 70_000, intervals: [1000] }).toBeGreaterThan(60_000);
  expect(phaseOf(producer)).toBe("open");
  installation.cluster.start();
  await expect(desk.getByText("The database does not answer.")).toBeHidden();
  await expect(desk.getByRole("button", { name: "Drop the curtain" })).toBeVisible();
  await expect(desk.getByText("Asked while the records were away")).toBeVisible();
  await expect(seat.getByText("The server does not reach its records just now.")).toBeHidden();
  await expect(
    seat.getByText("Nobody", { exact: false }).or(seat.getByText("The stage is empty for a moment.")),
  ).toBeVisible();
  // the visitor pressed once: their registration went on by itself
  await expect(visitor.getByText("ines.away@example.org")).toBeVisible();
  await expect(visitor.getByText("One moment: very many people register just now.")).toBeHidden();
  tools = await makeContext({ ...installation.env, STAGE_CALL_CLOCK_FILE: undefined });
  expect(await journalLength(db(), date.occurrenceId)).toBe(before + 2);
  // the seat's one interval goes on over the gap: nobody was put out for signs that had nowhere to go
  const own = await db().select().from(stays).where(eq(stays.ticketId, date.attendees[0]!.ticketId));
  expect(own.filter((one) => one.toAt === null)).toHaveLength(1);
  expect(own.map((one) => one.place).sort()).toEqual(["foyer", "house"]);
  producer.leave();
  server.kill();
});

test("a hidden tab, whose own timers hardly run, goes on giving signs of life", async ({ browser }) => {
  const server = await installation.server();
  const { date, producer } = await openHouse(server, 1);
  await producer.send({ type: "hour.open-doors" });
  const page = await (await browser.newContext({ baseURL: server.origin })).newPage();
  // what a browser does to a tab that nobody sees, at its worst: none of the page's own timers comes due any more
  await page.addInitScript(() => {
    const tab = window as typeof window & { isHidden?: boolean };
    const [plainTimeout, plainInterval] = [tab.setTimeout.bind(tab), tab.setInterval.bind(tab)];
    const awake = (run: TimerHandler) => () => void (!tab.isHidden && typeof run === "function" && run());
    tab.setTimeout = ((run: TimerHandler, ms?: number) => plainTimeout(awake(run), ms)) as typeof tab.setTimeout;
    tab.setInterval = ((run: TimerHandler, ms?: number) => plainInterval(awake(run), ms)) as typeof tab.setInterval;
  });
  await page.goto(`/enter/${date.attendees[0]!.token}`);
  await page.getByRole("button", { name: "Take my seat" }).click();
  await expect(page.getByLabel("Ask a question")).toBeVisible();
  await page.evaluate(() => void ((window as typeof window & { isHidden?: boolean }).isHidden = true));
  const lastSign = async () =>
    Math.max(
      ...(await db().select().from(stays).where(eq(stays.ticketId, date.attendees[0]!.ticketId))).map(
        (one) => one.lastSignAt,
      ),
    );
  const hiddenAt = await lastSign();
  // more than a sign may be missing (25 s), in real time: the worker's clock is the browser's own
  await expect.poll(async () => (await lastSign()) - hiddenAt, { timeout: 60_000 }).toBeGreaterThan(25_000);
  await closeLost(tools.context);
  const own = await db().select().from(stays).where(eq(stays.ticketId, date.attendees[0]!.ticketId));
  expect(own.filter((one) => one.toAt === null).map((one) => one.place)).toEqual(["house"]);
  expect(own.length).toBeLessThanOrEqual(2);
  producer.leave();
  server.kill();
});
