import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq, sql } from "drizzle-orm";
import sharp from "sharp";
import { commandInput, type CommandBody, type InkRow } from "@/contracts";
import { boardSurface, pictureOf, readSvg, type InkBody, type Mark, type Surface } from "@/core/room";
import { decks, inkActs, tickets } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import { logReader, surfaceActs } from "@/server/room";
import { boardFile } from "@/server/services/afterwards/board-files";
import { roomOf } from "@/server/services/ground/room/commands";
import { boardFromFile } from "@/server/services/hour/boards";
import { erasePeople } from "@/server/services/people/contacts/erase";
import { openHour, type Hour } from "../support/hour";
import { makeWorld, type MadeEvent, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
let hour: Hour;
let event: MadeEvent;
let people: { producer: string; panelist: string; attendee: string };
let boardId: string;
const crowd = Array.from({ length: 7 }, (_, i) => `Guest ${i}`);
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
const run = (command: CommandBody, commandId: string = randomUUID()) => hour.carryOut(commandId, command);
beforeEach(async () => {
  hour = await openHour(world, ["Oskar Vell", ...crowd], [{ name: "Ines Marl", role: "panelist" }]);
  event = hour.event;
  people = { producer: hour.producerId, panelist: hour.stage[0]!, attendee: hour.guests[0]! };
  await run({ type: "hour.raise-curtain" });
  boardId = randomUUID();
  await run({ type: "board.make", title: "Tides" }, boardId);
});

const line = (...points: number[]): Mark => ({ tool: "line", colour: "red", width: 45, points, text: "" });
const act = (
  as: "producer" | "panelist" | "attendee",
  body: InkBody | Mark,
  surface: Surface = boardSurface(boardId),
  id: string = randomUUID(),
) => {
  const whole: InkBody = "tool" in body ? { do: "draw", mark: body, continues: null } : body;
  return hour.bring(people[as], { type: "board.draw", surface, body: whole }, id);
};
const roomId = async () => (await mainRoomOf(world.context.db, event.occurrenceId))!.id;
const rows = async (surface = boardSurface(boardId)) => surfaceActs(world.context.db, await roomId(), surface);
const picture = async () => pictureOf(await rows()).standing();
const open = () => run({ type: "board.open", boardId, seen: null });
const let_ = (reach: "team" | "stage" | "all", ...drawerIds: string[]) =>
  run({ type: "board.let-draw", reach, drawerIds });
describe("rule 22: strokes in the database", () => {
  it("of ten people who draw ten each at once none is lost, and each has its own place", async () => {
    await open();
    await let_("all");
    const all = [people.producer, people.panelist, ...hour.guests];
    expect(all).toHaveLength(10);
    await Promise.all(
      all.flatMap((id, nth) =>
        Array.from({ length: 10 }, (_, i) =>
          hour.bring(id, {
            type: "board.draw",
            surface: boardSurface(boardId),
            body: { do: "draw", mark: line(nth, i, 9, 9), continues: null },
          }),
        ),
      ),
    );
    const written = await rows();
    expect(written.map((row) => row.n)).toEqual(Array.from({ length: 100 }, (_, i) => i + 1));
    expect(new Set(written.map((row) => row.body.do === "draw" && row.body.mark.points.slice(0, 2).join())).size).toBe(
      100,
    );
    const fed = await logReader("board:shown").after(world.context.db, await roomId(), "board:shown", 0, 500);
    expect(fed.map((row) => row.rev)).toEqual(Array.from({ length: 100 }, (_, i) => i + 1));
  });
  it("a repeated command is the same stroke", async () => {
    const id = randomUUID();
    await act("panelist", line(0, 0, 9, 9), undefined, id);
    await act("panelist", line(0, 0, 9, 9), undefined, id);
    expect(await rows()).toHaveLength(1);
  });
  it("what the house does not see stands in a feed that it never gets", async () => {
    await act("panelist", line(0, 0, 9, 9));
    await open();
    await act("panelist", line(1, 1, 9, 9));
    const feed = async (topic: string) =>
      (await logReader(topic).after(world.context.db, await roomId(), topic, 0, 50)).map(
        (row) => (row.row as InkRow).n,
      );
    expect([await feed("board:behind"), await feed("board:shown")]).toEqual([[1], [2]]);
  });
  it("the first mark on a page of slides is told to the room, once, so that no screen asks for pages without", async () => {
    const deckId = randomUUID();
    const { organisationId, clock } = world;
    const about = { id: deckId, organisationId, occurrenceId: event.occurrenceId, title: "Tides", language: "en" };
    await world.context.db
      .insert(decks)
      .values({ ...about, state: "ready", pageCount: 3, sizeBytes: 1, createdAt: clock.now() });
    const page = { id: deckId, page: 2 };
    expect(await codeOf(act("producer", line(0, 0, 9, 9), page))).toBe("not-allowed");
    await run({ type: "slides.show", deckId, page: 2, seen: null });
    await act("producer", line(0, 0, 9, 9), page);
    await act("producer", line(1, 1, 9, 9), page);
    await run({ type: "slides.show", deckId, page: 3, seen: { deckId, page: 2 } });
    await Promise.all([1, 2, 3].map((n) => act("producer", line(n, n, 9, 9), { ...page, page: 3 })));
    const { board } = await roomOf(world.context.db, event.occurrenceId);
    expect([...board.markedPages].map(([key]) => key)).toEqual([`${page.id}/2`, `${page.id}/3`]);
    const { rows: told } = await world.context.db.execute(
      sql`select count(*)::int as n from journal where body->>'type' = 'board.page-marked' and room_id = ${await roomId()}`,
    );
    expect(told[0]!["n"]).toBe(2);
  });
  it("is drawn on by whom the desk lets; the audience wipes out only its own, and clears nothing", async () => {
    expect(await codeOf(act("attendee", line(0, 0, 9, 9)))).toBe("not-allowed");
    await open();
    expect(await codeOf(act("attendee", line(0, 0, 9, 9)))).toBe("not-allowed");
    await let_("team", people.attendee);
    const [others, own] = [randomUUID(), randomUUID()];
    await act("producer", line(0, 0, 9, 9), undefined, others);
    await act("attendee", line(1, 1, 9, 9), undefined, own);
    expect(await codeOf(act("panelist", line(2, 2, 9, 9)))).toBe("not-allowed");
    expect(await codeOf(act("attendee", { do: "clear" }))).toBe("not-allowed");
    await act("attendee", { do: "erase", ids: [others, own] });
    expect((await picture()).map((one) => one.id)).toEqual([others]);
    await act("attendee", { do: "undo" });
    expect(await picture()).toHaveLength(2);
    expect(await codeOf(act("producer", line(0, 0, 9, 9), boardSurface(randomUUID())))).toBe("not-allowed");
  });
  it("a command of more points, other colours or half a point is none", () => {
    const command = (mark: object) => ({
      commandId: randomUUID(),
      command: {
        type: "board.draw",
        surface: boardSurface(randomUUID()),
        body: { do: "draw", mark: { ...line(0, 0, 9, 9), ...mark }, continues: null },
      },
    });
    const isOne = (mark: object) => commandInput.safeParse(command(mark)).success;
    expect(isOne({})).toBe(true);
    expect(isOne({ points: Array(4000).fill(1) })).toBe(true);
    expect(isOne({ points: Array(4002).fill(1) })).toBe(false);
    expect(isOne({ points: [0, 0, 10_001, 1] })).toBe(false);
    expect(isOne({ points: [0, 0, 1] })).toBe(false);
    expect(isOne({ colour: "#ff0000" })).toBe(false);
    expect(isOne({ tool: "text", text: " " })).toBe(false);
  });
});

describe("a board as the date's file", () => {
  const file = (kind: "svg" | "png", number = 1) =>
    boardFile(world.context, world.owner, event.eventId, event.occurrenceId, { number, kind });
  it("holds what stands, as vectors that are read again and as a picture of 1600 by 900", async () => {
    await act("panelist", line(1000, 5000, 9000, 5000));
    await act("producer", { tool: "text", colour: "blue", width: 45, points: [500, 500], text: "High water 18:42" });
    await act("producer", line(0, 0, 9999, 9999));
    await act("producer", { do: "undo" });
    const read = readSvg(Buffer.from(await file("svg")).toString());
    expect(read).toEqual({ ok: true, value: (await picture()).map((one) => one.mark) });
    const { data, info } = await sharp(await file("png"))
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect([info.width, info.height]).toEqual([1600, 900]);
    const at = (x: number, y: number) => [
      ...data.subarray((y * 1600 + x) * info.channels, (y * 1600 + x) * info.channels + 3),
    ];
    // the red line in the middle, white beside it (the palette's red: #b3202c)
    expect([at(800, 450), at(800, 300)]).toEqual([
      [0xb3, 0x20, 0x2c],
      [255, 255, 255],
    ]);
  });
  it("is the team's that may have files, by its number", async () => {
    expect(await codeOf(file("svg", 2))).toBe("not-found");
  });
  it("becomes a new board whose marks are drawn on and wiped out; another file makes none", async () => {
    await act("panelist", line(1000, 5000, 9000, 5000));
    const bytes = await file("svg");
    const made = await boardFromFile(
      world.context,
      world.cache,
      world.owner,
      { eventId: event.eventId, occurrenceId: event.occurrenceId },
      { title: "Tides again", bytes },
    );
    boardId = made.boardId;
    expect((await picture()).map((one) => one.mark)).toEqual([line(1000, 5000, 9000, 5000)]);
    await act("producer", { do: "erase", ids: [(await picture())[0]!.id] });
    expect(await picture()).toEqual([]);
    const before = (await surfaceActs(world.context.db, await roomId(), boardSurface(boardId))).length;
    expect(before).toBe(2);
    const other = { title: "", bytes: new TextEncoder().encode("<svg></svg>") };
    const place = { eventId: event.eventId, occurrenceId: event.occurrenceId };
    expect(await codeOf(boardFromFile(world.context, world.cache, world.owner, place, other))).toBe("not-a-board");
  });
  it("leaves no mark behind where it is refused: the date is over", async () => {
    await act("panelist", line(1000, 5000, 9000, 5000));
    const bytes = await file("svg");
    await run({ type: "hour.end" });
    const count = async () => world.context.db.$count(inkActs, eq(inkActs.roomId, await roomId()));
    const before = await count();
    const place = { eventId: event.eventId, occurrenceId: event.occurrenceId };
    expect(await codeOf(boardFromFile(world.context, world.cache, world.owner, place, { title: "", bytes }))).toBe(
      "wrong-state",
    );
    expect(await count()).toBe(before);
  });
});

it("erasing somebody takes the words that they drew, and leaves the lines", async () => {
  await act("panelist", { tool: "text", colour: "blue", width: 45, points: [500, 500], text: "My number: 555" });
  await act("panelist", line(0, 0, 9, 9));
  const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, people.panelist));
  await world.context.db.transaction((tx) => erasePeople(tx, [ticket!.personId], world.clock.now()));
  expect(JSON.stringify(await rows())).not.toContain("My number");
  expect(await picture()).toHaveLength(2);
});
