import { onePoll } from "../support/polls";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { RunSheetInput } from "@/contracts";
import { polls } from "@/server/db/schema";
import { callSheet } from "@/server/services/hour/call-sheet";
import { dateOf, datesOf } from "@/server/services/planning/dates/load";
import { agendaOf } from "@/server/services/way-in/front/agenda";
import { copyRunSheet, loadRunSheet, saveRunSheet } from "@/server/services/planning/run-sheets";
import { removeStagePerson } from "@/server/services/people/stage-people";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";
import { weekly } from "../support/weekly";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world);
});
afterAll(() => world.close());

const segment = (title: string, part: Partial<RunSheetInput["segments"][number]> = {}) => ({
  id: randomUUID(),
  title,
  lengthMinutes: 10,
  fixedStartLocal: null,
  leaderTicketId: null,
  besideTicketIds: [],
  pollId: null,
  deckId: null,
  deckPage: 1,
  scene: null,
  carriesCredit: false,
  ...part,
});
const poll = (question: string) => ({ id: randomUUID(), ...onePoll(question, ["Yes", "No"]) });
const sheet = (part: Partial<RunSheetInput>): RunSheetInput => ({ segments: [], polls: [], parts: [], ...part });
const load = (dateId: string | null = null, eventId = event.eventId) =>
  loadRunSheet(world.context, world.owner, eventId, dateId);
const save = (input: RunSheetInput, tag: string | null = null) =>
  saveRunSheet(world.context, world.owner, event.eventId, input, null, tag);

describe("the run sheet", () => {
  it("comes back as it was saved, in its order; the same save again changes nothing", async () => {
    const asked = poll("Have you seen a roost?");
    const wanted = sheet({
      segments: [
        segment("Welcome"),
        segment("The roosts", { pollId: asked.id, fixedStartLocal: "2026-11-26T18:15" }),
        segment("Goodbye"),
      ],
      polls: [asked],
      parts: [
        { id: randomUUID(), title: "Morning", startLocal: "2026-11-26T18:00", lengthMinutes: 30, leaderTicketId: null },
      ],
    });
    const tag = await save(wanted);
    expect((await load()).runSheet).toEqual(wanted);
    expect(await save(wanted)).toBe(tag);
    const turned = { ...wanted, segments: [...wanted.segments].reverse() };
    expect(await save(turned)).not.toBe(tag);
    expect((await load()).runSheet.segments.map((one) => one.title)).toEqual(["Goodbye", "The roosts", "Welcome"]);
  });

  it("refuses the second of two editors, keeps the first's sheet, and takes the second after a look", async () => {
    const { tag, runSheet } = await load();
    await save({ ...runSheet, segments: [segment("First was here")] }, tag);
    const mine = sheet({ segments: [segment("Second too")] });
    await expect(save(mine, tag)).rejects.toMatchObject({ failure: { code: "edited-meanwhile" } });
    expect((await load()).runSheet.segments.map((one) => one.title)).toEqual(["First was here"]);
    await save(mine, (await load()).tag);
    expect((await load()).runSheet.segments.map((one) => one.title)).toEqual(["Second too"]);
  });

  it("lets one of two through who save in the same moment", async () => {
    const { tag } = await load();
    const outcomes = await Promise.allSettled(
      ["A", "B", "C"].map((title) => save(sheet({ segments: [segment(title)] }), tag)),
    );
    expect(outcomes.filter((one) => one.status === "fulfilled")).toHaveLength(1);
    expect((await load()).runSheet.segments).toHaveLength(1);
  });

  it("points to nobody and nothing of elsewhere", async () => {
    const other = await makeEvent(world, { title: "Another" });
    const stranger = await addTicket(world, other, "panelist", "Una Other");
    await expect(
      save(sheet({ segments: [segment("Led from elsewhere", { leaderTicketId: stranger })] })),
    ).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    await expect(
      save(sheet({ segments: [segment("A poll of nowhere", { pollId: randomUUID() })] })),
    ).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    // a segment's id of another event's sheet takes nothing over
    const theirs = segment("Theirs");
    await saveRunSheet(world.context, world.owner, other.eventId, sheet({ segments: [theirs] }));
    await expect(save(sheet({ segments: [{ ...theirs, title: "Mine now" }] }))).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    expect((await load(null, other.eventId)).runSheet.segments.map((one) => one.title)).toEqual(["Theirs"]);
  });

  it("may still name who was taken off the list", async () => {
    const leader = await addTicket(world, event, "panelist", "Ines Marl");
    const led = sheet({ segments: [segment("Led", { leaderTicketId: leader })] });
    await save(led);
    await removeStagePerson(world.context, world.owner, event.eventId, leader);
    await save({ ...led, segments: [...led.segments, segment("One more")] });
    expect((await load()).runSheet.segments).toHaveLength(2);
  });

  it("keeps a poll that people have voted in: its words, and its place on the sheet", async () => {
    const asked = poll("Before");
    await save(sheet({ polls: [asked] }));
    await world.context.db.update(polls).set({ state: "closed" }).where(eq(polls.id, asked.id));
    await save(sheet({ polls: [{ ...poll("After"), id: asked.id }] }));
    expect((await load()).runSheet.polls[0]!.questions[0]!.text).toBe("Before");
    await expect(save(sheet({}))).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    await world.context.db.delete(polls).where(eq(polls.id, asked.id));
  });

  it.each([
    ["a segment without a title", { segments: [segment(" ")] }],
    ["a length of nothing", { segments: [segment("x", { lengthMinutes: 0 })] }],
    ["a fixed start that is none", { segments: [segment("x", { fixedStartLocal: "soon" })] }],
    ["an empty answer", { polls: [{ id: randomUUID(), ...onePoll("q", [""]) }] }],
    ["too many segments", { segments: Array.from({ length: 101 }, () => segment("x")) }],
  ])("refuses %s whole", async (_name, part) => {
    const before = (await load()).runSheet;
    await expect(save(sheet(part))).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    expect((await load()).runSheet).toEqual(before);
  });

  it("is laid into later dates of a series that have none, each with hours and ids of its own", async () => {
    const series = await makeEvent(world, { shape: "series", rule: weekly(4), startLocal: "2027-03-18T18:00" });
    const dates = await datesOf(world.context.db, series.eventId);
    const asked = poll("Coming again?");
    const first = sheet({
      segments: [segment("Welcome", { fixedStartLocal: "2027-03-18T18:05", pollId: asked.id })],
      polls: [asked],
    });
    await saveRunSheet(world.context, world.owner, series.eventId, first, dates[0]!.id);
    await saveRunSheet(
      world.context,
      world.owner,
      series.eventId,
      sheet({ segments: [segment("Its own")] }),
      dates[2]!.id,
    );
    expect(await copyRunSheet(world.context, world.owner, series.eventId, dates[0]!.id)).toBe(2);
    const [, second, third, fourth] = await Promise.all(dates.map((date) => load(date.id, series.eventId)));
    expect(third!.runSheet.segments.map((one) => one.title)).toEqual(["Its own"]);
    // the wall time stays over the clock change of 28 March
    expect([second!, fourth!].map((one) => one.runSheet.segments[0]!.fixedStartLocal)).toEqual([
      "2027-03-25T18:05",
      "2027-04-08T18:05",
    ]);
    expect(fourth!.runSheet.segments[0]!.pollId).toBe(fourth!.runSheet.polls[0]!.id);
    expect(new Set([first, second!.runSheet, fourth!.runSheet].map((one) => one.polls[0]!.id)).size).toBe(3);
    expect(await copyRunSheet(world.context, world.owner, series.eventId, dates[0]!.id)).toBe(0);
    expect(await world.context.db.$count(polls, and(eq(polls.occurrenceId, dates[2]!.id)))).toBe(0);
  });
});

describe("several who lead one segment", () => {
  it("stand on the public agenda in their order, and each has it as the first of theirs on the call sheet", async () => {
    const [first, second] = [
      await addTicket(world, event, "panelist", "Ines Marl"),
      await addTicket(world, event, "panelist", "Oskar Vell"),
    ];
    await save(sheet({ segments: [segment("Opening", { leaderTicketId: first, besideTicketIds: [second] })] }));
    const date = await dateOf(world.context.db, event.eventId, world.context.clock.now());
    expect((await agendaOf(world.context.db, date))[0]!.leaders).toEqual(["Ines Marl", "Oskar Vell"]);
    const lines = await callSheet(world.context, world.owner, event.eventId, date);
    const opens = lines.filter((line) => line.first?.title === "Opening").map((line) => line.name);
    expect(opens.sort()).toEqual(["Ines Marl", "Oskar Vell"]);
    // nobody of another event can stand beside
    const elsewhere = await addTicket(world, await makeEvent(world), "panelist", "Not Here");
    await expect(
      save(sheet({ segments: [segment("Opening", { leaderTicketId: first, besideTicketIds: [elsewhere] })] })),
    ).rejects.toMatchObject({ failure: { issues: [{ code: "leader-not-of-event" }] } });
  });
});
