import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { ChatLineView } from "@/contracts";
import { boardSurface, readSvg, sideAsksTopicOf, sideBoardId, sideInkTopicOf, type Mark } from "@/core/room";
import { mainRoomOf } from "@/server/db/queries/journal";
import { logReader } from "@/server/room";
import { boardFile, boardsOfDate } from "@/server/services/afterwards/board-files";
import { roomOf } from "@/server/services/ground/room/commands";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
import { makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let a: string, b: string, visitor: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl", "Oskar Vell", "Rui Sand"], [{ name: "Anna Lowe", role: "panelist" }]);
  [a, b] = hour.guests as [string, string];
  visitor = hour.stage[0]!;
  await hour.run({ type: "sideRooms.make", count: 2, names: ["Knots"] });
  await hour.run({
    type: "sideRooms.place",
    places: [
      [a, 1],
      [b, 2],
    ],
  });
  await hour.run({ type: "sideRooms.open", inSeconds: 0 });
});
const opensAt = async () => (await roomOf(world.context.db, hour.event.occurrenceId)).sideRooms.opensAt!;
const surface = async (room: number) => boardSurface(sideBoardId({ opensAt: await opensAt(), room }));
const feed = async (topic: string) => {
  const main = await mainRoomOf(world.context.db, hour.event.occurrenceId);
  return logReader(topic).after(world.context.db, main!.id, topic, 0, 100);
};
const mark = (x: number): Mark => ({ tool: "line", colour: "blue", width: 45, points: [x, 10, 900, 900], text: "" });
const draw = async (by: string, room: number, x = 1) =>
  hour.bring(by, {
    type: "board.draw",
    surface: await surface(room),
    body: { do: "draw", mark: mark(x), continues: null },
  });
const ask = (by: string, text: string) =>
  hour.bring(by, { type: "chat.say", to: "side", withId: null, text, isAsked: true });
const settle = (by: string, lineId: string, isAnswered = true) =>
  hour.bring(by, { type: "chat.settle", lineId, isAnswered });
const asksIn = async (room: number) =>
  (await feed(sideAsksTopicOf(room))).map(({ row }) => {
    const { text, answeredAt } = row as ChatLineView;
    return [text, answeredAt ?? null];
  });

describe("rule 15: a side room draws on a board of its own", () => {
  it("by its members and whoever looks in, on its own feed, and never on another room's", async () => {
    await draw(a, 1, 1);
    expect(await codeOf(draw(b, 1))).toBe("not-allowed");
    expect(await codeOf(draw(visitor, 1))).toBe("not-allowed");
    await hour.run({ type: "sideRooms.visit", room: 1 }, visitor);
    await draw(visitor, 1, 2);
    expect(await feed(sideInkTopicOf(1))).toHaveLength(2);
    expect(await feed(sideInkTopicOf(2))).toHaveLength(0);
    expect([await feed("board:shown"), await feed("board:behind")]).toEqual([[], []]);
  });
  it("stands among the date's files behind the main room's boards, by the room's name, and is read again", async () => {
    await draw(a, 1, 1);
    await draw(b, 2, 3);
    await draw(a, 1, 2);
    await hour.run({ type: "board.make", title: "Tides" });
    const { eventId, occurrenceId } = hour.event;
    const boards = await boardsOfDate(world.context, world.owner, eventId, occurrenceId);
    expect(boards.map(({ number, title, sideRoom }) => [number, title, sideRoom])).toEqual([
      [1, "Tides", null],
      [21, "Knots", 1],
      [22, "", 2],
    ]);
    const svg = await boardFile(world.context, world.owner, eventId, occurrenceId, { number: 21, kind: "svg" });
    const read = readSvg(Buffer.from(svg).toString());
    expect(read.ok && read.value).toEqual([mark(1), mark(2)]);
  });
  it("is another one at the next opening, and nobody draws once they are called back", async () => {
    const before = await surface(1);
    await draw(a, 1);
    await hour.run({ type: "sideRooms.call-back", inSeconds: 0 });
    expect(await codeOf(draw(a, 1))).toBe("not-allowed");
    world.clock.advance(60_000);
    await hour.run({ type: "sideRooms.open", inSeconds: 0 });
    const late = { type: "board.draw", surface: before, body: { do: "draw", mark: mark(1), continues: null } } as const;
    expect(await codeOf(hour.bring(a, late))).toBe("not-allowed");
    await draw(a, 1);
    const { eventId, occurrenceId } = hour.event;
    expect(await boardsOfDate(world.context, world.owner, eventId, occurrenceId)).toHaveLength(2);
  });
});

describe("rule 15: a side room has questions of its own", () => {
  it("asked in it, answered by anybody in it, open again; told to nobody else", async () => {
    const asked = await ask(a, "Do we count the sleeping ones?");
    const lineId = asked.lines!.rows[0]!.id;
    expect(await asksIn(1)).toEqual([["Do we count the sleeping ones?", null]]);
    expect(await asksIn(2)).toEqual([]);
    expect(await codeOf(settle(b, lineId))).toBe("not-found");
    await hour.run({ type: "sideRooms.place", places: [[b, 1]] });
    const settled = await settle(b, lineId);
    expect(settled.lines!.rows).toHaveLength(1);
    expect(await asksIn(1)).toEqual([["Do we count the sleeping ones?", world.clock.now()]]);
    // said twice it is one
    expect((await settle(b, lineId)).lines).toBeUndefined();
    await settle(a, lineId, false);
    expect(await asksIn(1)).toEqual([["Do we count the sleeping ones?", null]]);
    await hour.run({ type: "sideRooms.call-back", inSeconds: 0 });
    expect(await codeOf(settle(a, lineId))).toBe("sides-not-open");
  });
  it("is asked in the main room by its author, and stands in the chat's file under its room", async () => {
    const asked = await ask(a, "Who counts the far bank?");
    const lineId = asked.lines!.rows[0]!.id;
    expect(await codeOf(hour.run({ type: "chat.make-question", lineId }, b))).toBe("not-allowed");
    await hour.run({ type: "chat.make-question", lineId }, a);
    expect((await hour.file("questions")).map((row) => row["question"] ?? row["text"])).toEqual([
      "Who counts the far bank?",
    ]);
    expect((await hour.file("chat")).map((row) => [row["to"], row["text"]])).toEqual([
      ["side room: 1", "Who counts the far bank?"],
    ]);
  });
  it("begins each opening without the questions of the one before", async () => {
    await ask(a, "Only for now?");
    await hour.run({ type: "sideRooms.call-back", inSeconds: 0 });
    await hour.run({ type: "sideRooms.open", inSeconds: 0 });
    const shown = (await feed(sideAsksTopicOf(1))).filter(({ row }) => row !== null);
    expect(shown).toEqual([]);
    expect((await hour.file("chat")).map((row) => row["text"])).toEqual(["Only for now?"]);
  });
  it("refuses what was asked twice with one id only once, and a line that is not there", async () => {
    const id = randomUUID();
    const body = { type: "chat.say", to: "side", withId: null, text: "Twice?", isAsked: true } as const;
    await hour.bring(a, body, id);
    await hour.bring(a, body, id);
    expect(await asksIn(1)).toHaveLength(1);
    expect(await codeOf(settle(a, randomUUID()))).toBe("not-found");
  });
});
