import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { keptWithoutPiecesMs, leaseLostAfterMs, type Piece } from "@/core/programme";
import type { Hub } from "@/server/live/hub";
import { giveBackLease, nextNumber, takeLease, type Maker } from "@/server/programme/lease";
import { mainRoomOf } from "@/server/db/queries/journal";
import { openHour } from "../support/hour";
import { ear, makeFeeds, makeHub } from "../support/hub";
import { makeWorld, type World } from "../support/world";

let world: World;
const hubs: Hub[] = [];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(async () => {
  await Promise.all(hubs.map((hub) => hub.close()));
  await world.close();
});

/** A process of its own: its rooms, and what it passes on. */
async function process() {
  const feeds = makeFeeds(world);
  const hub = makeHub(world, feeds);
  hubs.push(hub);
  await hub.listener.listening;
  return { hub, feeds };
}
async function makers(feed = "programme") {
  const { event } = await openHour(world, []);
  const room = (await mainRoomOf(world.context.db, event.occurrenceId))!;
  const of = (): Maker => ({
    roomId: room.id,
    organisationId: world.organisationId,
    feed,
    holderId: randomUUID(),
    device: randomUUID(),
  });
  return { occurrenceId: event.occurrenceId, ann: of(), bo: of() };
}
const bytes = (text: string) => new TextEncoder().encode(text);
const piece = (number: number, at: number, initNumber = 1): Piece => ({
  number,
  initNumber,
  at,
  durationMs: 1000,
  isHolding: false,
});

describe("rule 26: who makes the picture", () => {
  it("one at a time, for as long as they renew it; lost after 3 s, or given back at once", async () => {
    const { db } = world.context;
    const { ann, bo } = await makers();
    const at = world.clock.now();
    expect(await takeLease(db, ann, at)).toEqual({ pieceNumber: 0, initNumber: 0 });
    expect(await takeLease(db, bo, at + 2999)).toBeNull();
    expect(await takeLease(db, ann, at + 2000)).not.toBeNull();
    expect(await takeLease(db, bo, at + 2000 + leaseLostAfterMs)).not.toBeNull();
    expect(await takeLease(db, ann, at + 5001)).toBeNull();
    await giveBackLease(db, bo);
    expect(await takeLease(db, ann, at + 5002)).not.toBeNull();
  });
  it("the server numbers what comes: none twice, whoever sends; nobody without the lease", async () => {
    const { db } = world.context;
    const { ann, bo } = await makers();
    const at = world.clock.now();
    await takeLease(db, ann, at);
    expect(await nextNumber(db, bo, "piece", at)).toBeNull();
    expect(await nextNumber(db, ann, "init", at)).toEqual({ pieceNumber: 0, initNumber: 1 });
    const all = await Promise.all(Array.from({ length: 20 }, () => nextNumber(db, ann, "piece", at)));
    expect(all.map((one) => one!.pieceNumber).sort((a, b) => a - b)).toEqual(
      Array.from({ length: 20 }, (_, i) => i + 1),
    );
    await takeLease(db, bo, at + leaseLostAfterMs);
    expect(await nextNumber(db, bo, "piece", at + leaseLostAfterMs)).toEqual({ pieceNumber: 21, initNumber: 1 });
    expect(await nextNumber(db, ann, "piece", at + leaseLostAfterMs)).toBeNull();
  });
});

describe("a feed over several processes", () => {
  it("reaches viewers of each, in order, and is kept by number while the hour is recorded", async () => {
    const [here, there] = [await process(), await process()];
    const { occurrenceId, ann } = await makers();
    await here.hub.openRoom(occurrenceId, null);
    const far = ear();
    const got: string[] = [];
    there.feeds.of(occurrenceId, "programme").watch({
      ...far.wire,
      write: (chunk: Uint8Array) => got.push(new TextDecoder().decode(chunk).split("\r\n")[1]!) > 0,
    });
    const at = world.clock.now();
    await here.feeds.takeInit(occurrenceId, ann, 1, bytes("I1"));
    for (const n of [1, 2, 3]) await here.feeds.take(occurrenceId, ann, piece(n, at), bytes(`p${n}`), n > 1);
    await expect.poll(() => got, { timeout: 5000 }).toEqual(["I1", "p1", "p2", "p3"]);
    const { rows } = await world.context.db.execute(
      `select number, init_number, size_bytes from recorded_pieces where room_id = '${ann.roomId}' order by number`,
    );
    expect(rows.map((row) => [row["number"], row["init_number"], row["size_bytes"]])).toEqual([
      [2, 1, 2],
      [3, 1, 2],
    ]);
  });
  it("is late once nothing came for as long as a lease lives: its picture stays for a while, its sound does not", async () => {
    const feeds = makeFeeds(world);
    let told: readonly unknown[] = [];
    feeds.onChange((_, on) => (told = [...on]));
    const { occurrenceId, ann } = await makers();
    await feeds.takeInit(occurrenceId, ann, 1, bytes("I1"));
    await feeds.take(occurrenceId, ann, piece(1, world.clock.now()), bytes("p1"), false);
    const voice = { ...ann, feed: "sound:es" };
    await feeds.takeInit(occurrenceId, voice, 1, bytes("I1"));
    await feeds.take(occurrenceId, voice, piece(1, world.clock.now()), bytes("v1"), false);
    const on = { holderId: ann.holderId, isLate: false };
    expect(told).toEqual([
      ["programme", on],
      ["sound:es", on],
    ]);
    world.clock.advance(leaseLostAfterMs);
    feeds.settle(occurrenceId);
    expect(told).toEqual([["programme", { holderId: ann.holderId, isLate: true }]]);
    await feeds.take(occurrenceId, ann, piece(2, world.clock.now()), bytes("p2"), false);
    expect(told).toEqual([["programme", on]]);
    world.clock.advance(keptWithoutPiecesMs);
    feeds.settle(occurrenceId);
    expect(told).toEqual([]);
  });
  it("that is given back is off the air at once, in every process", async () => {
    const [here, there] = [await process(), await process()];
    const { occurrenceId, ann } = await makers();
    const feeds = [here, there].map((one) => one.feeds.of(occurrenceId, "programme"));
    // somebody watches in each, so that neither forgets it meanwhile
    for (const feed of feeds) feed.watch(ear().wire);
    const madeBy = () => feeds.map((feed) => feed.holderId);
    await here.feeds.takeInit(occurrenceId, ann, 1, bytes("I1"));
    await here.feeds.take(occurrenceId, ann, piece(1, world.clock.now()), bytes("p1"), false);
    await expect.poll(madeBy, { timeout: 5000 }).toEqual([ann.holderId, ann.holderId]);
    await here.feeds.giveBack(occurrenceId, ann);
    await expect.poll(madeBy, { timeout: 5000 }).toEqual([null, null]);
  });
  it("stays off the air where a piece told of before is still being read", async () => {
    const { occurrenceId, ann } = await makers();
    const here = makeFeeds(world);
    await here.takeInit(occurrenceId, ann, 1, bytes("I1"));
    await here.take(occurrenceId, ann, piece(1, world.clock.now()), bytes("p1"), false);
    let disk = () => {};
    const isReady = new Promise<void>((done) => (disk = done));
    const { storage } = world.context;
    const there = makeFeeds(world, { ...storage, read: (...of) => isReady.then(() => storage.read(...of)) });
    const { roomId, feed, holderId } = ann;
    const told = { roomId, feed, holderId, initNumber: 1, piece: piece(1, world.clock.now()) };
    const notice = { room: occurrenceId, by: "another" };
    const first = there.hear({ ...notice, piece: told });
    const last = there.hear({ ...notice, piece: { ...told, holderId: null, piece: null } });
    disk();
    await Promise.all([first, last]);
    expect(there.of(occurrenceId, "programme").holderId).toBeNull();
  });
});

describe("a pass", () => {
  it("opens one date's programme for some hours, and no other's", () => {
    const { secrets } = world.context;
    const [one, other] = [randomUUID(), randomUUID()];
    const at = Date.parse("2026-11-26T18:00:00Z");
    const pass = secrets.programmePass(one, at);
    const hour = 3_600_000;
    expect([at, at + 5 * hour].every((then) => secrets.isProgrammePass(pass, one, then))).toBe(true);
    expect(secrets.isProgrammePass(pass, one, at + 12 * hour)).toBe(false);
    expect(secrets.isProgrammePass(pass, other, at)).toBe(false);
    expect(secrets.isProgrammePass("", one, at)).toBe(false);
  });
});
