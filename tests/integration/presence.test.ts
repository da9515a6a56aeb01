import { onePoll, oneVote } from "../support/polls";
import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import { connectionsOf } from "@/core/attendance";
import { admissions, ballots, stays, polls } from "@/server/db/schema";
import { admitToHouse, closeLost, openConnection, SignBook } from "@/server/services/hour/presence";
import { executeWhole } from "@/server/services/ground/room/commands";
import { bringFact } from "@/server/services/hour/facts";
import { loadFigures } from "@/server/room";
import { saveRunSheet } from "@/server/services/planning/run-sheets";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let producerId: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
async function house(houseSize: number): Promise<void> {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { houseSize });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  await run({ type: "stage.enter" });
  await run({ type: "hour.open-doors" });
}
beforeEach(() => house(100));
const run = (command: CommandBody, commandId: string = randomUUID()) => {
  const actor = { role: "producer" as const, duties: [] };
  const who = { actorId: producerId, actor, occurrenceId: event.occurrenceId };
  return executeWhole(world.context, world.cache, who, { commandId, command });
};
const connect = (ticketId: string) => {
  const about = { organisationId: world.organisationId, occurrenceId: event.occurrenceId, ticketId };
  return openConnection(world.context, {
    ...about,
    role: "attendee",
    device: "computer",
    mayReturn: "ask",
    stagePlace: "ask",
  });
};
const staysOf = (ticketId: string) =>
  world.context.db.select().from(stays).where(eq(stays.ticketId, ticketId)).orderBy(stays.fromAt, stays.lastSignAt);
const leave = (ticketId: string) =>
  world.context.db.update(stays).set({ toAt: world.clock.now() }).where(eq(stays.ticketId, ticketId));

describe("signs of life", () => {
  it("after an interval was closed as lost open a new one: a hidden tab or an outage loses nobody for ever", async () => {
    const guest = await addTicket(world, event, "attendee", "Hidden tab");
    const { connectionId } = await connect(guest);
    await admitToHouse(world.context, event.occurrenceId);
    const book = new SignBook(world.context);
    const signAt = async (ms: number) => {
      world.clock.advance(ms);
      book.sign(connectionId);
      await book.flush();
    };
    await signAt(10_000);
    world.clock.advance(60_000);
    await closeLost(world.context);
    await signAt(1000);
    await signAt(10_000);
    const rows = await staysOf(guest);
    // the seat is asked for again, as by anybody who comes back
    expect(rows.map((row) => [row.place, row.lastSignAt - rows[0]!.fromAt, row.toAt === null])).toEqual([
      ["foyer", 0, false],
      ["house", 10_000, false],
      ["foyer", 81_000, true],
    ]);
    expect(await admitToHouse(world.context, event.occurrenceId)).toBe(1);
  });

  it("after the end open nothing: an ended date ends every stay, and nobody's grows", async () => {
    const [guest, silent] = [
      await addTicket(world, event, "attendee", "Stays"),
      await addTicket(world, event, "attendee", "Silent"),
    ];
    const { connectionId } = await connect(guest);
    await connect(silent);
    world.clock.advance(30_000);
    const book = new SignBook(world.context);
    book.sign(connectionId);
    await book.flush();
    world.clock.advance(5000);
    await run({ type: "hour.end" });
    const endedAt = world.clock.now();
    world.clock.advance(40 * 60_000);
    book.sign(connectionId);
    await book.flush();
    expect((await staysOf(guest)).map((row) => row.toAt)).toEqual([endedAt]);
    const [gone] = await staysOf(silent);
    expect(gone!.toAt).toBe(gone!.lastSignAt);
  });
});

describe("a date that is over", () => {
  it("takes nobody in again: a tab that comes back after the end stands in no figure", async () => {
    const guest = await addTicket(world, event, "attendee", "Left the tab open");
    await connect(guest);
    await admitToHouse(world.context, event.occurrenceId);
    world.clock.advance(60_000);
    const book = new SignBook(world.context);
    await run({ type: "hour.end" });
    const endedAt = world.clock.now();
    world.clock.advance(5 * 60_000);
    const again = await connect(guest);
    expect(again.isInside).toBe(false);
    book.sign(again.connectionId);
    world.clock.advance(46 * 60_000);
    await book.flush();
    const inHouse = (await staysOf(guest)).filter((row) => row.place !== "foyer");
    expect(inHouse.map((row) => row.toAt! <= endedAt)).toEqual([true]);
    expect((await staysOf(guest)).every((row) => row.toAt !== null)).toBe(true);
  });
});

describe("stays", () => {
  it("follow somebody from place to place: the device is one, its signs go on, and attendance sees one entry", async () => {
    const panelist = await addTicket(world, event, "panelist", "Goes on stage");
    const actor = { role: "panelist" as const, duties: [] };
    const act = (command: CommandBody) =>
      executeWhole(
        world.context,
        world.cache,
        { actorId: panelist, actor, occurrenceId: event.occurrenceId },
        { commandId: randomUUID(), command },
      );
    await act({ type: "stage.enter" });
    const about = { organisationId: world.organisationId, occurrenceId: event.occurrenceId, ticketId: panelist };
    const { connectionId } = await openConnection(world.context, {
      ...about,
      role: "panelist",
      device: "computer",
      mayReturn: "ask",
      stagePlace: "ask",
    });
    const book = new SignBook(world.context);
    for (const place of ["standby", "stage", "backstage"] as const) {
      world.clock.advance(60_000);
      await run({ type: "stage.move", ticketId: panelist, place });
      book.sign(connectionId);
      await book.flush();
    }
    const rows = await staysOf(panelist);
    expect(rows.map((row) => [row.place, row.connectionId === connectionId])).toEqual(
      ["backstage", "standby", "stage", "backstage"].map((place) => [place, true]),
    );
    for (const [i, row] of rows.entries()) expect(row.toAt).toBe(rows[i + 1]?.fromAt ?? null);
    expect(connectionsOf(rows)).toMatchObject([{ fromAt: rows[0]!.fromAt, toAt: null }]);
    // another device of theirs comes in where they stand
    await run({ type: "stage.move", ticketId: panelist, place: "stage" });
    await openConnection(world.context, {
      ...about,
      role: "panelist",
      device: "phone",
      mayReturn: "ask",
      stagePlace: "ask",
    });
    const open = (await staysOf(panelist)).filter((row) => row.toAt === null);
    expect(open.map((row) => [row.device, row.place]).sort()).toEqual([
      ["computer", "stage"],
      ["phone", "stage"],
    ]);
  });
});

describe("seats", () => {
  it("are never oversold by people who come back: 20 who were inside, 5 seats, all at once", async () => {
    await house(5);
    const guests = await Promise.all(
      Array.from({ length: 20 }, (_, i) => addTicket(world, event, "attendee", `G${i}`)),
    );
    for (const ticketId of guests) {
      const about = { occurrenceId: event.occurrenceId, organisationId: world.organisationId, ticketId };
      await world.context.db.insert(admissions).values({ ...about, admittedAt: world.clock.now() });
    }
    for (const id of guests.slice(0, 5)) await connect(id);
    await Promise.all(guests.slice(5).map(connect));
    await admitToHouse(world.context, event.occurrenceId);
    const rows = await world.context.db.select().from(stays).where(eq(stays.occurrenceId, event.occurrenceId));
    const inside = new Set(
      rows.filter((row) => row.place !== "foyer" && row.role === "attendee").map((row) => row.ticketId),
    );
    expect(inside.size).toBe(5);
  });

  it("bring whoever dropped out straight back while there is room, on a second device too", async () => {
    const guest = await addTicket(world, event, "attendee", "Dropped");
    expect((await connect(guest)).isInside).toBe(false);
    await admitToHouse(world.context, event.occurrenceId);
    expect((await connect(guest)).isInside).toBe(true);
    await leave(guest);
    expect((await connect(guest)).isInside).toBe(true);
  });

  it("are what voting and asking need: neither the foyer nor somebody who never came takes part", async () => {
    const pollId = randomUUID();
    await run({ type: "polls.add", poll: onePoll("Tide?", ["in", "out"]) }, pollId);
    await run({ type: "polls.open", pollId });
    const [away, waiting] = [
      await addTicket(world, event, "attendee", "Away"),
      await addTicket(world, event, "attendee", "Foyer"),
    ];
    await connect(waiting);
    const actor = { role: "attendee" as const, duties: [] };
    for (const actorId of [away, waiting]) {
      const who = { actorId, actor, occurrenceId: event.occurrenceId, organisationId: world.organisationId };
      const vote = bringFact(world.context, who, oneVote(pollId, "o1"));
      await expect(vote).rejects.toMatchObject({ failure: { code: "not-inside" } });
    }
  });
});

describe("the run sheet during the hour", () => {
  const segment = (title: string) => {
    const open = { fixedStartLocal: null, leaderTicketId: null, pollId: null };
    return { id: randomUUID(), title, lengthMinutes: 20, ...open };
  };
  it("cannot take an open poll away with its ballots, not even in the moment in which it opens", async () => {
    const pollId = randomUUID();
    await run({ type: "polls.add", poll: onePoll("Tide?", ["in", "out"]) }, pollId);
    const guest = await addTicket(world, event, "attendee", "Voter");
    await seat(world, event, guest);
    const sheet = { segments: [segment("First")], polls: [], parts: [] };
    const save = () => saveRunSheet(world.context, world.owner, event.eventId, sheet);
    const [opened, saved] = await Promise.allSettled([run({ type: "polls.open", pollId }), save()]);
    const left = await world.context.db.select().from(polls).where(eq(polls.id, pollId));
    // whoever came first decides; never an open poll without its row
    expect(opened.status === "fulfilled").toBe(left.length === 1);
    expect(saved.status === "fulfilled").toBe(left.length === 0);
    if (left.length === 0) return;
    const actor = { role: "attendee" as const, duties: [] };
    const who = { actorId: guest, actor, occurrenceId: event.occurrenceId, organisationId: world.organisationId };
    await bringFact(world.context, who, oneVote(pollId, "o1"));
    await expect(save()).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    expect(await world.context.db.$count(ballots, eq(ballots.pollId, pollId))).toBe(1);
  });
});

describe("open devices", () => {
  it("of somebody who is here with two are counted, of others not named", async () => {
    const [twice, once] = [
      await addTicket(world, event, "attendee", "Two devices"),
      await addTicket(world, event, "attendee", "One device"),
    ];
    for (const ticketId of [twice, twice, once]) await connect(ticketId);
    const { devices } = await loadFigures(world.context.db, event.occurrenceId, world.clock.now() - 25_000);
    expect([...devices]).toEqual([[twice, 2]]);
  });
});
