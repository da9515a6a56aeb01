import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import ExcelJS from "exceljs";
import { PassThrough, type Readable } from "node:stream";
import { buffer } from "node:stream/consumers";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { parse } from "csv-parse/sync";
import { toldDates } from "@/core/seats";
import { seededChance } from "@/core/shared";
import { minuteMs } from "@/core/time";
import { dateFigures, events, occurrences, people, stays, summaryLinks, tickets } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import { dateArchive, dateWorkbook } from "@/server/services/afterwards/date-archive";
import { dateFile } from "@/server/services/afterwards/exports";
import { importEntries } from "@/server/services/afterwards/import-entries";
import {
  makeSummaryLink,
  revokeSummaryLink,
  summaryBehind,
  summaryLinksOf,
} from "@/server/services/afterwards/summary-links";
import { afterwards } from "@/server/services/afterwards/summary";
import { markAsTest } from "@/server/services/afterwards/correct";
import { compareDates } from "@/server/services/overview/compare";
import { countHeld, figuresOfDate } from "@/server/services/overview/count-held";
import { pastDates } from "@/server/services/overview/forecast";
import { yearOf } from "@/server/services/overview/year";
import { yearFile } from "@/server/services/overview/year-file";
import { forged } from "../support/forged";
import { held } from "../support/held";
import { namesInZip } from "../support/zip";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
const chance = seededChance(20261128);

/** A date of an hour with so many people, who come and go as chance has it; all in one statement a table. */
async function evening(size: number, title = "Tides and the saltmarsh"): Promise<MadeEvent> {
  const event = await makeEvent(world, { title });
  const { raisedAt } = await held(world, event.occurrenceId);
  const { organisationId } = world;
  const room = await mainRoomOf(world.context.db, event.occurrenceId);
  const folk = Array.from({ length: size }, (_, i) => ({
    id: randomUUID(),
    organisationId,
    name: `Person ${i}`,
    email: `${randomUUID()}@example.org`,
    createdAt: raisedAt,
  }));
  const registered = folk.map((person) => ({
    id: randomUUID(),
    ...event,
    organisationId,
    personId: person.id,
    role: "attendee" as const,
    registeredAt: raisedAt - Math.round(chance() * 20 * 24 * 60) * minuteMs,
  }));
  // some never come, some come once, some go and come back
  const visits = registered.flatMap(({ id }) =>
    Array.from({ length: Math.floor(chance() * 3) }, () => {
      const fromAt = raisedAt + Math.round((chance() * 70 - 10) * minuteMs);
      const toAt = fromAt + Math.round(chance() * 40 * minuteMs);
      const stayId = randomUUID();
      return {
        id: stayId,
        connectionId: stayId,
        organisationId,
        occurrenceId: event.occurrenceId,
        roomId: room!.id,
        ticketId: id,
        chainId: id,
        role: "attendee",
        device: chance() < 0.7 ? "computer" : "phone",
        place: "house" as const,
        fromAt,
        toAt,
        lastSignAt: toAt,
      };
    }),
  );
  await world.context.db.insert(people).values(folk);
  await world.context.db.insert(tickets).values(registered);
  if (visits.length > 0) await world.context.db.insert(stays).values(visits);
  return event;
}
/**
 * Minutes of the show that somebody was there, counted second by second from what the tables hold: gaps of at most
 * 30 s are closed first (rule 13).
 */
function minutesByHand(spans: readonly { fromAt: number; toAt: number | null }[], from: number, to: number): number {
  const sorted = spans.map((one) => [one.fromAt, one.toAt!] as [number, number]).toSorted((a, b) => a[0] - b[0]);
  let [there, until] = [0, -Infinity];
  for (const [start, end] of sorted) {
    const begin = start - until <= 30_000 ? until : start;
    there += Math.max(0, Math.min(to, Math.max(end, until)) - Math.min(to, Math.max(from, begin)));
    until = Math.max(until, end);
  }
  return there / minuteMs;
}
const rowsOf = (text: string) => parse(text, { bom: true, columns: true }) as Record<string, string>[];
const year = async (of = 2026) => yearOf(world.context, world.owner, of);
const where = (event: MadeEvent) => [world.context, world.owner, event.eventId, event.occurrenceId] as const;

describe("figures that are kept of each date", () => {
  it("are those of the raw rows on 200 generated evenings", async () => {
    const made: MadeEvent[] = [];
    for (let i = 0; i < 200; i += 1) made.push(await evening(1 + (i % 6)));
    while ((await countHeld(world.context, 100)) > 0);
    const kept = new Map((await world.context.db.select().from(dateFigures)).map((row) => [row.occurrenceId, row]));
    const all = await world.context.db.select().from(stays);
    const registered = await world.context.db.select().from(tickets).where(eq(tickets.role, "attendee"));
    for (const { occurrenceId } of made) {
      const own = kept.get(occurrenceId)!;
      const [from, to] = [own.startAt, own.startAt + 60 * minuteMs];
      const minutes = registered
        .filter((one) => one.occurrenceId === occurrenceId)
        .map(({ id }) =>
          minutesByHand(
            all.filter((one) => one.ticketId === id),
            from,
            to,
          ),
        );
      const came = minutes.filter((one) => one > 0);
      expect([own.registered, own.came, own.stayed]).toEqual([
        minutes.length,
        came.length,
        came.filter((one) => one >= 45).length,
      ]);
      expect(own.presentMinutes).toBeCloseTo(
        came.reduce((sum, one) => sum + one, 0),
        2,
      );
    }
    expect((await year()).dates).toHaveLength(200);
  });

  it("are counted anew after a correction", async () => {
    const event = await evening(12);
    await countHeld(world.context, 100);
    const came = async () => (await year()).dates.find((one) => one.occurrenceId === event.occurrenceId)!.came;
    const before = await came();
    const [line] = (await afterwards(...where(event))).report.lines.filter((one) => one.minutesPresent > 0);
    await markAsTest(world.context, world.owner, event, { personKey: line!.personKey });
    await countHeld(world.context, 100);
    expect(await came()).toBe(before - 1);
  });

  it("come to the same for an evening that was imported from its own entries.csv", async () => {
    const live = await evening(20);
    const file = await dateFile(...where(live), "entries");
    const copy = await makeEvent(world);
    await world.context.db.update(occurrences).set({ phase: "ended" }).where(eq(occurrences.id, copy.occurrenceId));
    await importEntries(...where(copy), new TextEncoder().encode(file));
    const figures = async (event: MadeEvent) => {
      const [row] = await world.context.db
        .select({ event: events, occurrence: occurrences })
        .from(occurrences)
        .innerJoin(events, eq(events.id, occurrences.eventId))
        .where(eq(occurrences.id, event.occurrenceId));
      const { came, stayed, peak, peakAt, presentMinutes, showMinutes, medianStayMinutes } = await figuresOfDate(
        world.context,
        row!.event,
        row!.occurrence,
      );
      return { came, stayed, peak, peakAt, presentMinutes, showMinutes, medianStayMinutes };
    };
    const own = await figures(live);
    expect(own.came).toBeGreaterThan(5);
    expect(await figures(copy)).toEqual(own);
  });
});

describe("the year", () => {
  it("adds up its dates, and gives them as files", async () => {
    const found = await year();
    expect(found.cameByMonth.reduce((sum, one) => sum + one, 0)).toBe(
      found.dates.reduce((sum, one) => sum + one.came, 0),
    );
    const rows = rowsOf(await yearFile(world.context, world.owner, 2026, "csv"));
    expect(rows).toHaveLength(found.dates.length);
    expect(rows[0]).toHaveProperty("minutes_present");
    const json = JSON.parse(await yearFile(world.context, world.owner, 2026, "json")) as { people: number };
    expect(json.people).toBe(found.people);
    expect((await year(1999)).dates).toEqual([]);
  });
  it("holds the forecast to account, each date told from those before it alone", async () => {
    const { forecast } = await year();
    const past = (await pastDates(world.context, world.organisationId)).toReversed();
    expect(past.length).toBe(50);
    // by hand of the second date: the first's people stand beside the 8 of 20 of common practice
    const [first, second] = past;
    const told = toldDates(past);
    const share = (8 + first!.attended) / (20 + first!.registered);
    expect(told[1]!.expected).toBeCloseTo(second!.registered * share, 10);
    expect(forecast).toEqual({
      dates: 50,
      within: told.filter((one) => one.attended >= one.low && one.attended <= one.high).length,
      missedBy: expect.closeTo(told.reduce((sum, one) => sum + Math.abs(one.attended - one.expected), 0) / 50, 8),
      learnt: 40,
    });
  });
});

describe("comparing dates (rule 17)", () => {
  it("lays dates side by side, each with its n, and says who came to every one", async () => {
    const [one, other] = [await evening(8, "First"), await evening(8, "Second")];
    const both = await compareDates(...where(one), [other.occurrenceId]);
    expect(both.dates.map(({ title }) => title)).toEqual(["First", "Second"]);
    expect(both.dates[0]!.difference).toBeNull();
    expect(both.dates[1]!.difference!.stay!.value).toBeCloseTo(
      both.dates[0]!.meanStayMinutes! - both.dates[1]!.meanStayMinutes!,
      8,
    );
    expect(both.alwaysCount).toBe(0);
    expect(both.offered.some(({ id }) => id === other.occurrenceId)).toBe(true);
  });
});

describe("a summary shown to others", () => {
  const refusal = (act: Promise<unknown>) =>
    act.then(
      () => "open",
      (error) => error.failure.code as string,
    );
  it("opens by its link until it is taken back or its days are over", async () => {
    const event = await evening(2);
    const { address } = await makeSummaryLink(...where(event), { withNames: true, days: 7 });
    const token = address.split("/").at(-1)!;
    expect(await summaryBehind(world.context, token)).toMatchObject({ withNames: true });
    expect(await refusal(summaryBehind(world.context, forged(token)))).toBe("not-found");
    const [link] = await summaryLinksOf(...where(event));
    const before = world.clock.now();
    world.clock.advance(8 * 24 * 60 * minuteMs);
    expect(await refusal(summaryBehind(world.context, token))).toBe("not-found");
    world.clock.set(before);
    await revokeSummaryLink(...where(event), link!.id);
    expect(await refusal(summaryBehind(world.context, token))).toBe("not-found");
    expect(await refusal(revokeSummaryLink(...where(event), link!.id))).toBe("not-found");
    expect(await world.context.db.$count(summaryLinks)).toBe(1);
    // a ticket's own link opens no summary
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.eventId, event.eventId));
    expect(await refusal(summaryBehind(world.context, world.context.secrets.tokenFor(ticket!.id, 0)))).toBe(
      "not-found",
    );
  });
});

describe("every file of a date at once", () => {
  it("stands in one archive with a readme of its columns", async () => {
    const event = await evening(4);
    const bytes = await buffer((await dateArchive(...where(event))) as Readable);
    const names = namesInZip(bytes);
    expect(names).toEqual(
      expect.arrayContaining(["readme.txt", "attendance.csv", "entries.csv", "survey.csv", "statements.json"]),
    );
  });
  it("stands in one workbook, typed, without a formula", async () => {
    const event = await evening(3);
    await addTicket(world, event, "attendee", '=SUM("a")');
    const made = (await dateWorkbook(...where(event))) as PassThrough;
    const book = new ExcelJS.Workbook();
    await book.xlsx.load((await buffer(made)) as never);
    const sheet = book.getWorksheet("attendance")!;
    const header = (sheet.getRow(1).values as string[]).slice(1);
    expect(header.slice(0, 3)).toEqual(["person", "name", "email"]);
    const names = sheet.getColumn(2).values.slice(2);
    expect(names).toContain('=SUM("a")');
    const minutes = sheet.getColumn(header.indexOf("minutes_present") + 1).values.slice(2);
    expect(minutes.every((one) => typeof one === "number")).toBe(true);
    sheet.eachRow((row) => row.eachCell((cell) => expect(cell.formula).toBeUndefined()));
  });
});
