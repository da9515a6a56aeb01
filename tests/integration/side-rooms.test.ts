import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { parse as parseCsv } from "csv-parse/sync";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { ChatLineView, CommandBody, LogRow } from "@/contracts";
import { sideTopicOf } from "@/core/room";
import { mainRoomOf } from "@/server/db/queries/journal";
import { people, tickets } from "@/server/db/schema";
import { loadDirectory, logReader } from "@/server/room";
import { dateFile } from "@/server/services/afterwards/exports";
import { roomOf } from "@/server/services/ground/room/commands";
import { bringSideRooms } from "@/server/services/hour/side-rooms";
import { openHour, type Hour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { makeWorld, type World } from "../support/world";
import { codeOf } from "../support/code-of";

const names = ["Ines Marl", "Oskar Vell", "Anna Lowe", "Zoë Marsh", "Rui Sand"];
let world: World;
let hour: Hour;
let emails: readonly string[];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, names);
  await hour.run({ type: "hour.raise-curtain" });
  emails = await Promise.all(hour.guests.map((id) => emailOf(id)));
});
async function emailOf(ticketId: string): Promise<string> {
  const [row] = await world.context.db
    .select({ email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(eq(tickets.id, ticketId));
  return row!.email!;
}
const state = async () => (await roomOf(world.context.db, hour.event.occurrenceId)).sideRooms;
const say = (by: string, text: string) => hour.bring(by, { type: "chat.say", to: "side", withId: null, text });
const linesIn = async (room: number) => {
  const main = await mainRoomOf(world.context.db, hour.event.occurrenceId);
  const topic = sideTopicOf(room);
  const rows = await logReader(topic).after(world.context.db, main!.id, topic, 0, 100);
  return rows.map((row: LogRow) => (row.row as ChatLineView).text);
};
const bring = (text: string) =>
  bringSideRooms(world.context, world.cache, world.owner, hour.event.eventId, hour.event.occurrenceId, { text });
const open = async () => {
  await hour.run({ type: "sideRooms.open", inSeconds: 10 });
  world.clock.advance(10_000);
};

describe("rule 15: side rooms from a file and back", () => {
  it("makes the rooms that the file names and puts people into them; other rows are told with their line", async () => {
    const file = `﻿email;room\r\n${emails[0]};Knots\r\n${emails[1]!.toUpperCase()};Curlews\r\nnobody@example.org;Knots\r\n${emails[2]};\r\n${emails[0]};Curlews\r\n`;
    expect(await bring(file)).toEqual({
      placed: 2,
      rooms: 2,
      bad: [
        { line: 4, why: "unknown-address" },
        { line: 5, why: "no-room" },
        { line: 6, why: "twice" },
      ],
    });
    const own = await state();
    expect([own.count, own.members.get(hour.guests[0]!), own.members.get(hour.guests[1]!)]).toEqual([2, 1, 2]);
    const words = await loadDirectory(world.context.db, hour.event.occurrenceId);
    expect(words?.words.notes.get("sideRooms.name-2")).toBe("Curlews");
  });
  it("keeps numbers as they are, and refuses what is no such file without changing anything", async () => {
    expect(await bring(`room,email\r\n3,${emails[0]}\r\n`)).toMatchObject({ placed: 1, rooms: 3 });
    for (const [text, expected] of [
      ["name,email\r\na,b\r\n", "bad-file"],
      ["", "invalid-input"],
      [
        `room,email\r\n${Array.from({ length: 41 }, (_, i) => `R${i},x@example.org`).join("\r\n")}\r\n`,
        "too-many-rows",
      ],
    ] as const)
      expect(await codeOf(bring(text))).toBe(expected);
    expect((await state()).count).toBe(3);
  });
  it("is read again from the file that the date gives: the same people in the same rooms", async () => {
    await bring(`room,email\r\nKnots,${emails[0]}\r\nKnots,${emails[1]}\r\nCurlews,${emails[2]}\r\n`);
    await open();
    world.clock.advance(60_000);
    await hour.run({ type: "sideRooms.call-back", inSeconds: 60 });
    world.clock.advance(60_000);
    const { eventId, occurrenceId } = hour.event;
    const text = await dateFile(world.context, world.owner, eventId, occurrenceId, "side-rooms");
    const rows = parseCsv(text, { bom: true, columns: true }) as Record<string, string>[];
    expect(rows.map((row) => [row["room"], row["name"]])).toEqual(
      expect.arrayContaining([
        ["Knots", "Ines Marl"],
        ["Knots", "Oskar Vell"],
        ["Curlews", "Anna Lowe"],
      ]),
    );
    const seconds = rows.map((row) => (Date.parse(row["out"]!) - Date.parse(row["in"]!)) / 1000);
    expect(seconds).toEqual([120, 120, 120]);
    const before = [...(await state()).members];
    await hour.run({ type: "sideRooms.make", count: 0, names: [] });
    expect(await bring(text)).toMatchObject({ placed: 3, rooms: 2, bad: [] });
    expect(new Map((await state()).members)).toEqual(new Map(before));
  });
});

describe("rule 15: side rooms live", () => {
  it("mixes those who are in the house, and puts a late comer into the smallest", async () => {
    await hour.run({ type: "sideRooms.make", count: 3, names: [] });
    const [a, b, c] = hour.guests as [string, string, string];
    await hour.run({ type: "sideRooms.shuffle", seed: 5, together: [[a, b]], apart: [[a, c]] });
    const own = await state();
    expect(own.members.size).toBe(names.length);
    expect(own.members.get(a)).toBe(own.members.get(b));
    expect(own.members.get(a)).not.toBe(own.members.get(c));
    expect(await codeOf(hour.run({ type: "sideRooms.shuffle", seed: 5, together: [[a, b, c]], apart: [] }))).toBe(
      "no-allotment",
    );
    await open();
    await hour.run({ type: "sideRooms.place", places: [[a, null]] });
    await hour.run({ type: "sideRooms.go", room: null }, a);
    const sizes = [1, 2, 3].map((room) => [...own.members].filter(([id, at]) => id !== a && at === room).length);
    expect((await state()).members.get(a)).toBe(sizes.indexOf(Math.min(...sizes)) + 1);
  });
  it("lets each room write to itself alone, while it is open; a visitor of the team too", async () => {
    const [a, b, , d] = hour.guests as [string, string, string, string];
    await hour.run({ type: "sideRooms.make", count: 2, names: ["Knots"] });
    await hour.run({
      type: "sideRooms.place",
      places: [
        [a, 1],
        [b, 2],
      ],
    });
    expect(await codeOf(say(a, "Too early"))).toBe("sides-not-open");
    await open();
    await say(a, "We count on the ebb.");
    world.clock.advance(1000);
    await say(b, "We are two.");
    expect(await codeOf(say(d, "I have no room"))).toBe("sides-not-open");
    expect([await linesIn(1), await linesIn(2)]).toEqual([["We count on the ebb."], ["We are two."]]);
    await hour.run({ type: "sideRooms.visit", room: 1 });
    await hour.run({ type: "sideRooms.call-back", inSeconds: 0 });
    expect(await codeOf(say(a, "Too late"))).toBe("sides-not-open");
    const chat = await hour.file("chat");
    expect(chat.map((row) => [row["to"], row["text"]])).toEqual([
      ["side room: 1", "We count on the ebb."],
      ["side room: 2", "We are two."],
    ]);
  });
  it("begins each round with empty rooms: nobody reads what others wrote there before; the record keeps it", async () => {
    const [a, b] = hour.guests as [string, string];
    await hour.run({ type: "sideRooms.make", count: 1, names: [] });
    await hour.run({ type: "sideRooms.place", places: [[a, 1]] });
    await open();
    const first = await say(a, "Between us.");
    await hour.run({ type: "sideRooms.call-back", inSeconds: 0 });
    await hour.run({
      type: "sideRooms.place",
      places: [
        [a, null],
        [b, 1],
      ],
    });
    const hub = makeHub(world);
    try {
      const screen = await joinAs(world, hub, hour.event, b, "attendee");
      await screen.until(({ event, data }) => event === "lines" && JSON.stringify(data).includes("Between us."));
      const { done } = await hour.carryOut(randomUUID(), { type: "sideRooms.open", inSeconds: 0 });
      await hub.published(hour.event.occurrenceId, done);
      // what stood on a screen goes from it
      await screen.until(({ event, data }) => event === "lines" && JSON.stringify(data).includes('"row":null'));
      const later = await joinAs(world, hub, hour.event, b, "attendee");
      expect(JSON.stringify(later.heard)).not.toContain("Between us.");
    } finally {
      await hub.close();
    }
    expect(first.lines?.rows).toHaveLength(1);
    expect((await hour.file("chat")).map((row) => [row["text"], row["state"]])).toEqual([["Between us.", "shown"]]);
  });
  it("has a line taken away by the team from the screens of the room", async () => {
    const hub = makeHub(world);
    try {
      const a = hour.guests[0]!;
      await hour.run({ type: "sideRooms.make", count: 1, names: [] });
      await hour.run({ type: "sideRooms.place", places: [[a, 1]] });
      await open();
      const screen = await joinAs(world, hub, hour.event, a, "attendee");
      const said = await say(a, "Not for here.");
      hub.factBrought(hour.event.occurrenceId, a, said);
      const lineId = said.lines!.rows[0]!.id;
      const { done } = await hour.carryOut(randomUUID(), { type: "chat.take-away", lineId });
      await hub.published(hour.event.occurrenceId, done);
      await screen.until(({ event, data }) => event === "lines" && JSON.stringify(data).includes('"row":null'));
    } finally {
      await hub.close();
    }
  });
  it("brings a room's words to its members' screens and to nobody else's, also after a move", async () => {
    const hub = makeHub(world);
    try {
      const [a, b] = hour.guests as [string, string];
      await hour.run({ type: "sideRooms.make", count: 2, names: [] });
      await hour.run({
        type: "sideRooms.place",
        places: [
          [a, 1],
          [b, 2],
        ],
      });
      await open();
      const [one, two] = [
        await joinAs(world, hub, hour.event, a, "attendee"),
        await joinAs(world, hub, hour.event, b, "attendee"),
      ];
      const outcome = await say(a, "Only for the first room.");
      hub.factBrought(hour.event.occurrenceId, a, outcome);
      await one.until(({ event, data }) => event === "lines" && JSON.stringify(data).includes("Only for the first"));
      const move: CommandBody = { type: "sideRooms.place", places: [[b, 1]] };
      expect(JSON.stringify(two.heard)).not.toContain("Only for the first");
      const { done } = await hour.carryOut(randomUUID(), move);
      await hub.published(hour.event.occurrenceId, done);
      await two.until(({ event, data }) => event === "lines" && JSON.stringify(data).includes("Only for the first"));
    } finally {
      await hub.close();
    }
  });
});
