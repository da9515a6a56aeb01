import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { Refusal } from "@/core/shared";
import { recordedPieces } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import type { Storage } from "@/server/files/storage";
import type { Maker } from "@/server/programme/lease";
import { initFile } from "@/server/programme/piece-files";
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

describe("a disk that is full in the middle of an hour", () => {
  it("the hour goes on, what was kept before stays, and it is kept on once there is room again", async () => {
    const { own, storage } = disk();
    const { event } = await openHour(world, []);
    const { occurrenceId } = event;
    const room = (await mainRoomOf(world.context.db, occurrenceId))!;
    const maker: Maker = {
      ...{ roomId: room.id, organisationId: world.organisationId, feed: "programme" },
      ...{ holderId: randomUUID(), device: randomUUID() },
    };
    const feeds = makeFeeds(world, storage);
    const seen: string[] = [];
    feeds.of(occurrenceId, "programme").watch({
      ...ear().wire,
      write: (chunk: Uint8Array) => seen.push(new TextDecoder().decode(chunk).split("\r\n")[1]!) > 0,
    });
    const post = (number: number, initNumber: number) => {
      const piece = { number, initNumber, at: world.clock.now(), durationMs: 1000, isHolding: false };
      return feeds.take(occurrenceId, maker, piece, bytes(`p${number}`), true);
    };
    const kept = async () => {
      const rows = await world.context.db.select().from(recordedPieces).where(eq(recordedPieces.roomId, room.id));
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
    expect(await storage.size(initFile(room.id, "programme", 2))).toBe(2);
    expect(seen).toEqual(["I1", "p1", "p2", "I2", "p3", "p4"]);
    world.clock.advance(31_000);
    expect(feeds.isLosing(occurrenceId)).toBe(false);
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
