import { parse } from "csv-parse/sync";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { corrections, mailings, occurrences, people, serverAway, tickets } from "@/server/db/schema";
import { correctEntry, markAsTest, mergeLines, undoCorrection } from "@/server/services/afterwards/correct";
import { dateFile } from "@/server/services/afterwards/exports";
import { expectedOf } from "@/server/services/overview/expected";
import { funnelOfDate } from "@/server/services/afterwards/funnel";
import { lanesOfDate } from "@/server/services/afterwards/lanes";
import { draftForPeopleOfDate, fileOfPeople, noteOfDate } from "@/server/services/afterwards/people-acts";
import { peopleOfDate } from "@/server/services/afterwards/people-of-date";
import { personOfDate } from "@/server/services/afterwards/person-of-date";
import { mailWhoLeft, stretchOfDate } from "@/server/services/afterwards/stretch";
import { afterwards } from "@/server/services/afterwards/summary";
import { signOfServer } from "@/server/services/ground/server-signs";
import { heldLive } from "../support/held";
import { addMember, addTicket, makeEvent, makeWorld, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

/** A date whose curtain was up for an hour, with three people: Ada all along, Bo to minute 25, Cy from 10 to 40. */
async function evening(): Promise<MadeEvent & { ada: string; bo: string; cy: string; raisedAt: number }> {
  const event = await makeEvent(world);
  const { raisedAt } = await heldLive(world, event.occurrenceId);
  const [ada, bo, cy] = await Promise.all([
    addTicket(world, event, "attendee", "Ada Quill"),
    addTicket(world, event, "attendee", "Bo Wren"),
    addTicket(world, event, "attendee", "Cy Knot"),
  ]);
  const visit = (id: string, from: number, to: number) =>
    stayed(world, event.occurrenceId, id, { fromAt: raisedAt + from * minuteMs, toAt: raisedAt + to * minuteMs });
  await visit(ada, 0, 60);
  await visit(bo, 0, 25);
  await visit(cy, 10, 40);
  return { ...event, ada, bo, cy, raisedAt };
}
const about = ({ eventId, occurrenceId }: MadeEvent) => ({ eventId, occurrenceId });
const report = async (event: MadeEvent) => afterwards(world.context, world.owner, event.eventId, event.occurrenceId);
const minutesOf = async (event: MadeEvent) =>
  new Map((await report(event)).report.lines.map((line) => [line.personKey, line.minutesPresent]));
const refusal = (act: Promise<unknown>): Promise<unknown> =>
  act.then(
    () => "done",
    (error: { failure?: { code: string; issues?: readonly { code: string }[] } }) =>
      error.failure?.issues?.[0]?.code ?? error.failure?.code,
  );

describe("what is put right by hand", () => {
  it("makes one person of two lines in every figure and file, and two of them again", async () => {
    const event = await evening();
    const { id } = await mergeLines(world.context, world.owner, about(event), {
      personKey: event.bo,
      intoKey: event.cy,
    });
    const merged = await report(event);
    // 0–25 and 10–40 together are 40 minutes of one person
    expect(merged.report.lines.map((line) => [line.personKey, line.minutesPresent])).toEqual(
      expect.arrayContaining([
        [event.ada, 60],
        [event.cy, 40],
      ]),
    );
    expect(merged.report.came).toBe(2);
    const lines = parse(await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, "entries"), {
      bom: true,
      columns: true,
    }) as Record<string, string>[];
    expect(lines.map((line) => [line["person"], line["name"]])).toContainEqual([event.cy, "Cy Knot"]);
    expect(lines.some((line) => line["person"] === event.bo)).toBe(false);
    expect(
      await refusal(mergeLines(world.context, world.owner, about(event), { personKey: event.bo, intoKey: event.ada })),
    ).toBe("merge-refused");
    await undoCorrection(world.context, world.owner, about(event), id);
    expect((await report(event)).report.came).toBe(3);
    expect(await refusal(undoCorrection(world.context, world.owner, about(event), id))).toBe("nothing-to-undo");
  });

  it("leaves who only tried out of every figure", async () => {
    const event = await evening();
    await markAsTest(world.context, world.owner, about(event), { personKey: event.bo });
    const { came, curve } = (await report(event)).report;
    expect([came, curve.peak?.count]).toEqual([2, 2]);
    expect(await refusal(markAsTest(world.context, world.owner, about(event), { personKey: event.bo }))).toBe(
      "already-done",
    );
    expect(await refusal(markAsTest(world.context, world.owner, about(event), { personKey: "nobody" }))).toBe(
      "not-found",
    );
  });

  it("moves an entry with its reason, keeps what was written down, and refuses one that ends before it begins", async () => {
    const event = await evening();
    const page = await personOfDate(world.context, world.owner, event.eventId, event.occurrenceId, event.bo);
    const [entry] = page.entries;
    const to = { entryKey: entry!.entryKey, inAt: event.raisedAt, outAt: event.raisedAt + 50 * minuteMs };
    expect(
      await refusal(
        correctEntry(world.context, world.owner, about(event), { ...to, outAt: event.raisedAt - 1, reason: "no" }),
      ),
    ).toBe("over-before-it-begins");
    expect(await refusal(correctEntry(world.context, world.owner, about(event), { ...to, reason: " " }))).toBe(
      "needed",
    );
    expect(await world.context.db.$count(corrections, eq(corrections.occurrenceId, event.occurrenceId))).toBe(0);
    await correctEntry(world.context, world.owner, about(event), { ...to, reason: "The bridge was cut off" });
    expect((await minutesOf(event)).get(event.bo)).toBe(50);
    const after = await personOfDate(world.context, world.owner, event.eventId, event.occurrenceId, event.bo);
    expect(after.entries[0]!.was).toMatchObject({
      outAt: event.raisedAt + 25 * minuteMs,
      reason: "The bridge was cut off",
    });
  });

  it("is the producer's alone", async () => {
    const event = await evening();
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    expect(await refusal(markAsTest(world.context, crew, about(event), { personKey: event.bo }))).toBe("not-allowed");
  });
});

describe("when the server itself was away", () => {
  it("is struck out of the show for everybody, so that nobody misses it in their share", async () => {
    const event = await evening();
    const from = event.raisedAt + 20 * minuteMs;
    await world.context.db.insert(serverAway).values({ fromAt: from, toAt: from + 10 * minuteMs });
    const data = await report(event);
    const line = (key: string) => data.report.lines.find((one) => one.personKey === key)!;
    // the show is 50 minutes; Bo was there for the first 20 of them
    expect([line(event.ada).percentPresent, line(event.bo).minutesPresent]).toEqual([100, 20]);
    expect(data.away).toEqual([{ start: from, end: from + 10 * minuteMs }]);
    await world.context.db.delete(serverAway);
  });

  it("is found out by the first process that runs again, never by a clock that was moved", async () => {
    const { db } = world.context;
    const at = world.clock.now();
    expect(await signOfServer(db, at, false)).toBe(false);
    expect(await signOfServer(db, at + 20_000, false)).toBe(false);
    expect(await signOfServer(db, at + 10 * minuteMs, true)).toBe(false);
    expect(await signOfServer(db, at + 20 * minuteMs, false)).toBe(true);
    expect(await db.select().from(serverAway)).toEqual([{ fromAt: at + 10 * minuteMs, toAt: at + 20 * minuteMs }]);
    await db.delete(serverAway);
  });
});

describe("a stretch that was marked on the rail", () => {
  it("says who was there and who left, and begins a mail to just those", async () => {
    const event = await evening();
    const span = { from: event.raisedAt + 20 * minuteMs, to: event.raisedAt + 45 * minuteMs };
    const found = await stretchOfDate(world.context, world.owner, event.eventId, event.occurrenceId, span);
    expect(found).toMatchObject({ people: 3, atStart: 3, atEnd: 1, leftCount: 2 });
    expect(found.left.map(({ name }) => name)).toEqual(["Bo Wren", "Cy Knot"]);
    const { id } = await mailWhoLeft(world.context, world.owner, event.eventId, event.occurrenceId, span);
    const [draft] = await world.context.db.select().from(mailings).where(eq(mailings.id, id));
    const left = await world.context.db.select().from(tickets).where(eq(tickets.eventId, event.eventId));
    expect(draft!.audience.personIds.toSorted()).toEqual(
      left
        .filter((one) => one.id === event.bo || one.id === event.cy)
        .map((one) => one.personId)
        .toSorted(),
    );
    expect(world.sent).toHaveLength(0);
    expect(
      await refusal(
        stretchOfDate(world.context, world.owner, event.eventId, event.occurrenceId, { from: span.to, to: span.from }),
      ),
    ).toBe("over-before-it-begins");
  });
});

describe("the people of a date", () => {
  it("are told apart by what they did", async () => {
    const event = await evening();
    const data = await report(event);
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    const found = await peopleOfDate(
      world.context.db,
      { organisationId: world.organisationId, occurrenceId: event.occurrenceId, startAt: date!.startAt },
      data,
    );
    expect(found.map((one) => [one.name, one.leftEarly])).toEqual([
      ["Ada Quill", false],
      ["Bo Wren", true],
      ["Cy Knot", true],
    ]);
  });

  it("can be written to, noted and exported as they were filtered", async () => {
    const event = await evening();
    const where = [world.context, world.owner, event.eventId, event.occurrenceId] as const;
    await draftForPeopleOfDate(...where, [event.bo]);
    expect(await noteOfDate(...where, { keys: [event.bo, event.cy], text: "Asked for slides" })).toBe(2);
    await noteOfDate(...where, { keys: [event.bo], text: "Call in spring" });
    const [bo] = await world.context.db
      .select({ note: people.note })
      .from(people)
      .innerJoin(tickets, eq(tickets.personId, people.id))
      .where(eq(tickets.id, event.bo));
    expect(bo!.note).toBe("Asked for slides\nCall in spring");
    const file = parse(await fileOfPeople(...where, [event.cy]), { bom: true, columns: true }) as Record<
      string,
      string
    >[];
    expect(file.map((row) => row["name"])).toEqual(["Cy Knot"]);
    expect(await refusal(draftForPeopleOfDate(...where, []))).toBe("no-person-at-all");
  });
});

describe("the report's other figures", () => {
  it("are lanes of what happened, a funnel, and what was to be expected", async () => {
    const event = await evening();
    const data = await report(event);
    const [from, to] = [event.raisedAt, event.raisedAt + 60 * minuteMs];
    const lanes = await lanesOfDate(world.context.db, event.occurrenceId, data, [], from, to);
    const total = (kind: string) => lanes.find((one) => one.kind === kind)!.total;
    // Ada's end lies on the end of what is shown
    expect([total("entries"), total("leavings"), total("questions")]).toEqual([3, 2, 0]);
    const funnel = await funnelOfDate(
      world.context.db,
      { eventId: event.eventId, occurrenceId: event.occurrenceId, startAt: from, thresholdPercent: 75 },
      data,
    );
    expect(funnel.lines.map(({ step, count }) => [step, count])).toEqual([
      ["invited", 0],
      ["registered", 0],
      ["came", 3],
      ["stayed", 1],
      ["took-part", 0],
      ["watched", 0],
    ]);
    const expected = await expectedOf(
      world.context,
      { organisationId: world.organisationId, startAt: from, houseSize: 100 },
      data,
    );
    // from common practice alone: 40 % of those who had registered
    expect(expected?.come).toBeCloseTo(0.4 * data.report.registered, 10);
  });
});
