import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { Refusal } from "@/core/shared";
import { passedPieces, recordedPieces } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import type { Storage } from "@/server/files/storage";
import type { Maker } from "@/server/programme/lease";
import { initFile, pieceFile } from "@/server/programme/piece-files";
import { recordingSpace } from "@/server/services/hour/recording-space";
import { openHour } from "../support/hour";
import { ear, joinAs, makeFeeds, makeHub } from "../support/hub";
import { makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

/** A disk that can be full. */
function disk() {
  const own = { isFull: false };
  const storage: Storage = {
    ...world.context.storage,
    write: (...of) =>
      own.isFull ? Promise.reject(new Refusal({ code: "disk-full" })) : world.context.storage.write(...of),
    freeBytes: () => Promise.resolve(own.isFull ? 0 : 8.1e9),
  };
  return { own, storage };
}
const bytes = (text: string) => new TextEncoder().encode(text);
/** What somebody who watches gets, a chunk of the feed each. */
function viewer() {
  const seen: string[] = [];
  const write = (chunk: Uint8Array) => seen.push(new TextDecoder().decode(chunk).split("\r\n")[1]!) > 0;
  return { seen, wire: { ...ear().wire, write } };
}
async function programmeOf(occurrenceId: string): Promise<Maker> {
  const room = (await mainRoomOf(world.context.db, occurrenceId))!;
  const { organisationId } = world;
  return { roomId: room.id, organisationId, feed: "programme", holderId: randomUUID(), device: randomUUID() };
}
const pieceAt = (number: number, initNumber: number) => ({
  number,
  initNumber,
  at: world.clock.now(),
  durationMs: 1000,
  isHolding: false,
});

describe("a disk that is full in the middle of an hour", () => {
  it("the hour goes on, what was kept before stays, and it is kept on once there is room again", async () => {
    const { own, storage } = disk();
    const { event } = await openHour(world, []);
    const { occurrenceId } = event;
    const maker = await programmeOf(occurrenceId);
    const feeds = makeFeeds(world, storage);
    const { seen, wire } = viewer();
    feeds.of(occurrenceId, "programme").watch(wire);
    const post = (number: number, initNumber: number) =>
      feeds.take(occurrenceId, maker, pieceAt(number, initNumber), bytes(`p${number}`), true);
    const kept = async () => {
      const rows = await world.context.db.select().from(recordedPieces).where(eq(recordedPieces.roomId, maker.roomId));
      return rows.map(({ number }) => number).sort((a, b) => a - b);
    };
    await feeds.takeInit(occurrenceId, maker, 1, bytes("I1"));
    await post(1, 1);
    own.isFull = true;
    await post(2, 1);
    // its maker is another now: what reads the pieces comes while there is no room
    await feeds.takeInit(occurrenceId, maker, 2, bytes("I2"));
    await post(3, 2);
    expect([await kept(), feeds.isLosing(occurrenceId)]).toEqual([[1], true]);
    own.isFull = false;
    await post(4, 2);
    expect(await kept()).toEqual([1, 4]);
    expect(await storage.size(initFile(maker.roomId, "programme", 2))).toBe(2);
    expect(seen).toEqual(["I1", "p1", "p2", "I2", "p3", "p4"]);
    world.clock.advance(31_000);
    expect(feeds.isLosing(occurrenceId)).toBe(false);
  });

  it("viewers of the other processes miss nothing; what was passed to them does not stay", async () => {
    const { own, storage } = disk();
    const { event } = await openHour(world, []);
    const { occurrenceId } = event;
    const maker = await programmeOf(occurrenceId);
    const [posted, other] = [makeFeeds(world, storage), makeFeeds(world, storage)];
    const hub = makeHub(world, other);
    await hub.listener.listening;
    const { seen, wire } = viewer();
    other.of(occurrenceId, "programme").watch(wire);
    const post = (number: number, initNumber: number) =>
      posted.take(occurrenceId, maker, pieceAt(number, initNumber), bytes(`p${number}`), true);
    const { db } = world.context;
    const passed = async () =>
      (await db.select().from(passedPieces).where(eq(passedPieces.roomId, maker.roomId)))
        .map(({ name }) => name)
        .sort();

    await posted.takeInit(occurrenceId, maker, 1, bytes("I1"));
    await post(1, 1);
    expect(await passed()).toEqual([]);
    own.isFull = true;
    await post(2, 1);
    await posted.takeInit(occurrenceId, maker, 2, bytes("I2"));
    await post(3, 2);
    await vi.waitFor(() => expect(seen).toEqual(["I1", "p1", "p2", "I2", "p3"]), 10_000);
    const [init, second, third] = [2, 2, 3].map((number, i) =>
      i === 0 ? initFile(maker.roomId, "programme", number) : pieceFile(maker.roomId, "programme", number),
    ) as [string, string, string];
    expect(await passed()).toEqual([second, third, init].sort());
    // a minute later nobody asks for them any more; what reads the pieces that come is still wanted
    world.clock.advance(61_000);
    await post(4, 2);
    expect(await passed()).toEqual([init, pieceFile(maker.roomId, "programme", 4)].sort());
    // somebody whose process begins to follow only now
    const late = makeFeeds(world, storage);
    const latecomer = viewer();
    late.of(occurrenceId, "programme").watch(latecomer.wire);
    const notice = { ...maker, initNumber: 2, piece: pieceAt(4, 2) };
    await late.hear({ room: occurrenceId, piece: notice, by: "another process" });
    expect(latecomer.seen).toEqual(["I2", "p4"]);
    await hub.close();
  });

  it("the desk reads how much longer the hour can be kept, and that nothing is", async () => {
    const { own, storage } = disk();
    const { event, producerId } = await openHour(world, []);
    const full = { ...world, context: { ...world.context, storage } };
    // 8.1 GB at 0.9 Mbit/s, twice: 10 h
    expect(await recordingSpace(full.context, event.occurrenceId)).toEqual({
      recordableMs: 10 * 3_600_000,
      isFull: false,
    });
    own.isFull = true;
    expect(await recordingSpace(full.context, event.occurrenceId)).toEqual({ recordableMs: 0, isFull: true });
    const hub = makeHub(full);
    await hub.listener.listening;
    const { until, leave } = await joinAs(full, hub, event, producerId, "producer", { wantsDesk: true });
    expect(JSON.stringify(await until(({ data }) => JSON.stringify(data).includes('"isFull":true')))).toContain(
      '"recordableMs":0',
    );
    leave();
    await hub.close();
  });

  it("an interpreter's sound beside the programme takes room, not time", async () => {
    const { storage } = disk();
    const { event } = await openHour(world, []);
    const room = (await mainRoomOf(world.context.db, event.occurrenceId))!;
    const kept = (feed: string, sizeBytes: number) =>
      Array.from({ length: 60 }, (_, i) => ({
        ...{ roomId: room.id, organisationId: world.organisationId, feed, number: i + 1, initNumber: 1 },
        ...{ at: world.clock.now() + i * 1000, durationMs: 1000, isHolding: false, sizeBytes },
      }));
    await world.context.db.insert(recordedPieces).values([...kept("programme", 100_000), ...kept("sound:es", 20_000)]);
    // (8.1 GB - 7.2 MB) / 2 at 120,000 bytes a second: 9 h 22 min, told by five
    const { recordableMs } = await recordingSpace({ ...world.context, storage }, event.occurrenceId);
    expect(recordableMs / 60_000).toBe(560);
  });
});
