import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { parse } from "csv-parse/sync";
import { commandInput, type CommandBody, type LogRow } from "@/contracts";
import type { Actor } from "@/core/people";
import { emptyRoom } from "@/core/room";
import { chatLines, questions, tickets } from "@/server/db/schema";
import type { Hub } from "@/server/live/hub";
import { logReader, ownParts, type FactOutcome } from "@/server/room";
import { mainRoomOf } from "@/server/db/queries/journal";
import { execute, roomOf } from "@/server/services/ground/room/commands";
import { erasePeople } from "@/server/services/people/contacts/erase";
import { dateFile } from "@/server/services/afterwards/exports";
import { bringFact } from "@/server/services/hour/facts";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

const desk: Actor = { role: "producer", duties: [] };
const guestActor: Actor = { role: "attendee", duties: [] };
let world: World;
let event: MadeEvent;
let producerId: string;
let guests: string[] = [];
let hub: Hub;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { houseSize: 100 });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  guests = [
    await addTicket(world, event, "attendee", "Ines Marl"),
    await addTicket(world, event, "attendee", "Oskar Vell"),
  ];
  for (const id of guests) await seat(world, event, id);
  await run({ type: "stage.enter" });
  await run({ type: "hour.open-doors" });
});
const who = (actorId: string, actor: Actor) => ({
  actorId,
  actor,
  occurrenceId: event.occurrenceId,
  organisationId: world.organisationId,
});
const run = (command: CommandBody, as = who(producerId, desk)) =>
  execute(world.context, world.cache, as, { commandId: randomUUID(), command });
type Say = Extract<CommandBody, { type: "chat.say" }>;
const say = (
  actorId: string,
  text: string,
  part: Partial<Say> = {},
  id: string = randomUUID(),
): Promise<FactOutcome> => {
  const fact: Say = { type: "chat.say", to: "all", withId: null, text, ...part };
  const actor = actorId === producerId ? desk : guestActor;
  return bringFact(world.context, who(actorId, actor), fact, null, id);
};
const feed = async (topic: string): Promise<readonly LogRow[]> => {
  const room = await mainRoomOf(world.context.db, event.occurrenceId);
  return logReader(topic).before(world.context.db, room!.id, topic, null, 500);
};
const texts = async (topic: string) => (await feed(topic)).map((row) => (row.row as { text: string }).text);
const turn = (value: { to: "nobody" | "desk" | "stage" | "all"; isHeld: boolean }) =>
  run({ type: "hour.set-switch", set: { name: "chat", value }, seen: { to: "all", isHeld: false } });

describe("rule 18: lines in the database", () => {
  it("stand in the order in which the server took them; a repeated id is the same line", async () => {
    const id = randomUUID();
    await Promise.all(Array.from({ length: 40 }, (_, i) => say(guests[i % 2]!, `line ${i}`)));
    await say(guests[0]!, "once", {}, id);
    await say(guests[0]!, "once", {}, id);
    const rows = await feed("chat:house");
    expect(rows.map((row) => row.seq)).toEqual(Array.from({ length: 41 }, (_, i) => i + 1));
    expect(rows.filter((row) => row.id === id)).toHaveLength(1);
    expect(JSON.stringify(await roomOf(world.context.db, event.occurrenceId))).not.toContain("once");
  });

  it("go where they are meant to; the switch closes what it closes, talkback is the stage's alone", async () => {
    await say(guests[0]!, "to the desk", { to: "desk" });
    await say(producerId, "between us", { to: "talkback" });
    expect([await texts("chat:desk"), await texts("chat:talkback"), await texts("chat:house")]).toEqual([
      ["to the desk"],
      ["between us"],
      [],
    ]);
    await expect(say(guests[0]!, "sneak", { to: "talkback" })).rejects.toMatchObject({
      failure: { code: "switched-off" },
    });
    await turn({ to: "desk", isHeld: false });
    await expect(say(guests[0]!, "to all")).rejects.toMatchObject({ failure: { code: "switched-off" } });
    await say(guests[0]!, "still to the desk", { to: "desk" });
    await say(producerId, "to everybody");
    expect(await texts("chat:house")).toEqual(["to everybody"]);
  });

  it("are refused from the foyer", async () => {
    const waiting = await addTicket(world, event, "attendee", "Waiting");
    await expect(say(waiting, "hello?")).rejects.toMatchObject({ failure: { code: "not-inside" } });
  });

  it("wait where the event holds them, seen by their author and the desk alone, until let through", async () => {
    await turn({ to: "all", isHeld: true });
    const id = randomUUID();
    expect((await say(guests[0]!, "waiting", {}, id)).answer).toEqual({ isHeld: true });
    expect([await texts("chat:held"), await texts("chat:house")]).toEqual([["waiting"], []]);
    const own = async (ticketId: string) =>
      (
        (await ownParts(world.context.db, event.occurrenceId, [ticketId], emptyRoom)).get(ticketId)!["chat"] as {
          lines: unknown[];
        }
      ).lines;
    expect(await own(guests[0]!)).toMatchObject([{ text: "waiting", state: "held", isMine: true }]);
    expect(await own(guests[1]!)).toEqual([]);
    await say(guests[1]!, "first in the house", {}, randomUUID());
    await run({ type: "chat.let-through", lineId: id });
    expect([await texts("chat:held"), await texts("chat:house")]).toEqual([["first in the house"], ["waiting"]]);
    expect(await own(guests[0]!)).toEqual([]);
    await expect(run({ type: "chat.let-through", lineId: id })).rejects.toMatchObject({
      failure: { code: "already-done" },
    });
  });

  it("of one person alone can be held, and nobody else notices", async () => {
    await run({ type: "chat.hold-person", ticketId: guests[0]!, isHeld: true });
    await say(guests[0]!, "held");
    await say(guests[1]!, "free");
    expect([await texts("chat:held"), await texts("chat:house")]).toEqual([["held"], ["free"]]);
  });

  it("taken away or cleared leave no trace in the feed; the record keeps them with their state", async () => {
    const id = randomUUID();
    await say(guests[0]!, "rude", {}, id);
    await say(guests[1]!, "fine");
    await run({ type: "chat.take-away", lineId: id });
    expect(await texts("chat:house")).toEqual(["fine"]);
    const room = await mainRoomOf(world.context.db, event.occurrenceId);
    const after = await logReader("chat:house").after(world.context.db, room!.id, "chat:house", 2, 10);
    expect(after).toEqual([{ id, seq: 1, rev: 3, row: null }]);
    await run({ type: "chat.clear", seen: 0 });
    expect(await feed("chat:house")).toEqual([]);
    await say(guests[0]!, "anew");
    expect(await texts("chat:house")).toEqual(["anew"]);
    const kept = await world.context.db.select().from(chatLines).where(eq(chatLines.roomId, room!.id));
    expect(kept.map((line) => [line.text, line.state]).sort()).toEqual([
      ["anew", "shown"],
      ["fine", "removed"],
      ["rude", "removed"],
    ]);
    expect(new Set(kept.map((line) => line.rev)).size).toBe(kept.length);
  });

  it("become a question in one act: words, author and time stay, the line shows it, votes start at none", async () => {
    const id = randomUUID();
    await say(guests[0]!, "Do curlews sleep?", {}, id);
    const saidAt = world.clock.now();
    world.clock.advance(60_000);
    await run({ type: "chat.make-question", lineId: id });
    const [question] = await world.context.db.select().from(questions).where(eq(questions.id, id));
    expect(question).toMatchObject({
      text: "Do curlews sleep?",
      askerTicketId: guests[0],
      askedAt: saidAt,
      state: "new",
    });
    expect((await feed("chat:house"))[0]!.row).toMatchObject({ isQuestion: true });
    expect((await roomOf(world.context.db, event.occurrenceId)).questions.asked.get(id)).toMatchObject({
      askerId: guests[0],
    });
  });

  it("between the desk and one person are that person's alone, who may write back and to nobody else", async () => {
    await expect(say(guests[0]!, "psst", { to: "note" })).rejects.toMatchObject({ failure: { code: "switched-off" } });
    await say(producerId, "Your sound is low", { to: "note", withId: guests[0]! });
    await say(guests[0]!, "Better?", { to: "note", withId: guests[1]! });
    const lines = async (id: string) =>
      (
        (await ownParts(world.context.db, event.occurrenceId, [id], emptyRoom)).get(id)!["chat"] as {
          lines: { text: string; isMine: boolean }[];
        }
      ).lines;
    expect((await lines(guests[0]!)).map((line) => [line.text, line.isMine])).toEqual([
      ["Your sound is low", false],
      ["Better?", true],
    ]);
    expect(await lines(guests[1]!)).toEqual([]);
  });
});

describe("the record of a chat", () => {
  const file = async () =>
    parse(await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, "chat"), {
      bom: true,
      columns: true,
    }) as Record<string, string>[];
  it("is a file with every line and what became of it; an erased person's words are gone from it", async () => {
    const id = randomUUID();
    await say(guests[0]!, "=1+1", {}, id);
    world.clock.advance(1000);
    await say(producerId, "Your sound is low", { to: "note", withId: guests[0]! });
    await run({ type: "chat.take-away", lineId: id });
    const rows = await file();
    expect(Object.keys(rows[0]!)).toEqual(["at", "name", "to", "text", "state"]);
    expect(rows.map((row) => [row["name"], row["to"], row["text"], row["state"]])).toEqual([
      ["Ines Marl", "all", "'=1+1", "removed"],
      ["Second Producer", "note: Ines Marl", "Your sound is low", "shown"],
    ]);
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, guests[0]!));
    await world.context.db.transaction((tx) => erasePeople(tx, [ticket!.personId], world.clock.now()));
    expect((await file()).map((row) => [row["name"], row["text"]])).toEqual([
      ["", ""],
      ["Second Producer", "Your sound is low"],
    ]);
  });
});

describe("rule 18: bounds", () => {
  const input = (text: string) =>
    commandInput.safeParse({ commandId: randomUUID(), command: { type: "chat.say", to: "all", withId: null, text } });
  it("are of characters as readers count them", () => {
    expect(input("👨‍👩‍👧‍👦".repeat(500)).success).toBe(true);
    expect(input("e\u0301".repeat(501)).success).toBe(false);
    expect(input("\u202e \u0000").success).toBe(false);
  });
});

describe("lines on screens", () => {
  it("reach those who follow the feed, in order, and a stream that comes back gets exactly what it missed", async () => {
    hub = makeHub(world);
    const other = makeHub(world);
    try {
      const listener = await joinAs(world, hub, event, guests[0]!, "attendee");
      const far = await joinAs(world, other, event, guests[1]!, "attendee");
      const bring = async (text: string) =>
        hub.factBrought(event.occurrenceId, guests[0]!, await say(guests[0]!, text));
      const heardBy = (one: typeof listener) =>
        one.heard.flatMap(({ event: name, data }) =>
          name === "lines" && data.topic === "chat:house"
            ? data.rows.map((row) => (row.row as { text: string }).text)
            : [],
        );
      for (let i = 0; i < 10; i += 1) await bring(`line ${i}`);
      await listener.until(() => heardBy(listener).length === 10);
      expect(heardBy(listener)).toEqual(Array.from({ length: 10 }, (_, i) => `line ${i}`));
      await far.until(() => heardBy(far).length === 10);
      far.leave();
      for (let i = 10; i < 15; i += 1) await bring(`line ${i}`);
      await listener.until(() => heardBy(listener).length === 15);
      const have = new Map([["chat:house", { epoch: "log", n: 10 }]]);
      const back = await joinAs(world, hub, event, guests[1]!, "attendee", { have });
      expect(heardBy(back)).toEqual(Array.from({ length: 5 }, (_, i) => `line ${i + 10}`));
    } finally {
      await hub.close();
      await other.close();
    }
  });
});
