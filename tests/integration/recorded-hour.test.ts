import { writeFile } from "node:fs/promises";
import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { letters, programmeFeeds, recordedPieces, recordings } from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import { takeLease, nextNumber, type Maker } from "@/server/programme/lease";
import { pieceFile } from "@/server/programme/piece-files";
import { forgetFeeds } from "@/server/services/afterwards/forget-feeds";
import { joinAgain, joinRecordings, runsOf } from "@/server/services/afterwards/join-recordings";
import { openConnection } from "@/server/services/hour/presence";
import type { JoinJob, MediaJob } from "@/server/workers/media-words";
import { codeOf } from "../support/code-of";
import { openHour } from "../support/hour";
import { makeFeeds } from "../support/hub";
import { makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const bytes = (text: string) => new TextEncoder().encode(text);
const second = 1000;

/** An hour with somebody who makes its picture: each piece is posted as the composer would. */
async function composedHour() {
  const hour = await openHour(world, [], [{ name: "Livia Aranda", role: "panelist" }]);
  const { occurrenceId } = hour.event;
  const room = (await mainRoomOf(world.context.db, occurrenceId))!;
  const maker: Maker = {
    roomId: room.id,
    organisationId: world.organisationId,
    feed: "programme",
    holderId: hour.stage[0]!,
    device: randomUUID(),
  };
  const feeds = makeFeeds(world);
  const { db } = world.context;
  await takeLease(db, maker, world.clock.now());
  const init = (await nextNumber(db, maker, "init", world.clock.now()))!;
  await feeds.takeInit(occurrenceId, maker, init.initNumber, bytes("init"));
  const post = async (count: number, isKept: boolean) => {
    for (let i = 0; i < count; i += 1) {
      world.clock.advance(second);
      const held = (await nextNumber(db, maker, "piece", world.clock.now()))!;
      const piece = {
        number: held.pieceNumber,
        initNumber: held.initNumber,
        at: world.clock.now(),
        durationMs: second,
        isHolding: false,
      };
      await feeds.take(occurrenceId, maker, piece, bytes(`p${held.pieceNumber}`), isKept);
    }
  };
  const rows = () => db.select().from(recordings).where(eq(recordings.occurrenceId, occurrenceId));
  return { hour, occurrenceId, maker, post, rows };
}
/** Joins by noting what it was given. */
function joiner() {
  const jobs: JoinJob[] = [];
  async function* join(job: MediaJob) {
    if (job.kind !== "join") throw new Error("nothing else is asked for");
    jobs.push(job);
    await writeFile(job.outPath, "file");
    yield { kind: "done", durationSeconds: 5 } as const;
  }
  return { jobs, context: { ...world.context, makeMedia: join } };
}

/** To each of the two producers. */
const ready = { kind: "recording-made", isReady: true, minutes: 0 };
/** What the team of an event was told of its recordings. */
const lettersOf = async (eventId: string) =>
  (await world.context.db.select({ body: letters.body }).from(letters)).flatMap(({ body }) => {
    if (body.kind !== "recording-made" || body.eventId !== eventId) return [];
    const { kind, isReady, minutes } = body;
    return [{ kind, isReady, minutes }];
  });

describe("an hour that is recorded", () => {
  it("is not, before everybody on the stage side has agreed; what they agreed to is kept by person", async () => {
    const { hour } = await composedHour();
    const [livia] = hour.stage;
    await openConnection(world.context, {
      organisationId: world.organisationId,
      occurrenceId: hour.event.occurrenceId,
      ticketId: livia!,
      role: "panelist",
      device: "computer",
      mayReturn: "ask",
      stagePlace: "ask",
    });
    const begin = { type: "recording.begin", way: "hand" } as const;
    expect(await codeOf(hour.run(begin))).toBe("consent-missing");
    await hour.run({ type: "recording.agree" }, livia);
    await hour.run(begin);
    const { rows } = await world.context.db.execute(
      `select c.kind from consents c join tickets t on t.id = c.ticket_id where t.id = '${livia}' and c.kind = 'recording'`,
    );
    expect(rows).toHaveLength(1);
  });

  it("becomes one recording when it ends: its pieces, without those that came in a pause", async () => {
    const { hour, post, rows, maker } = await composedHour();
    await post(2, false);
    await hour.run({ type: "recording.begin", way: "hand" });
    await post(3, true);
    await hour.run({ type: "recording.pause" });
    await post(2, false);
    await hour.run({ type: "recording.resume" });
    await post(2, true);
    await hour.run({ type: "recording.stop" });
    const [waiting] = await rows();
    expect(waiting).toMatchObject({ state: "waiting", fromPiece: 1, toPiece: 9, durationSeconds: 5 });
    expect(waiting!.spans!.map(({ from, to }) => (to - from) / second)).toEqual([3, 2]);
    const { jobs, context } = joiner();
    expect(await joinRecordings(context)).toBe(1);
    const names = (paths: readonly string[]) => paths.map((path) => /(\d+)\.m4s$/.exec(path)![1]);
    expect(jobs[0]!.runs.map(({ piecePaths }) => names(piecePaths))).toEqual([
      ["3", "4", "5"],
      ["8", "9"],
    ]);
    expect((await rows())[0]).toMatchObject({ state: "ready", sizeBytes: 4, durationSeconds: 5 });
    expect(await lettersOf(hour.event.eventId)).toEqual([ready, ready]);
    // joined once: another pass finds nothing
    expect(await joinRecordings(context)).toBe(0);

    await hour.run({ type: "recording.begin", way: "hand" });
    await post(1, true);
    await hour.run({ type: "hour.end" });
    const second_ = (await rows()).find((one) => one.state === "waiting")!;
    expect([second_.fromPiece, second_.toPiece, second_.spans!.length]).toEqual([10, 10, 1]);
    await joinRecordings(context);

    world.clock.advance(2 * 3600 * second);
    expect(await forgetFeeds(world.context)).toBe(1);
    const ofRoom = and(eq(recordedPieces.roomId, maker.roomId), eq(recordedPieces.feed, "programme"));
    expect(await world.context.db.$count(recordedPieces, ofRoom)).toBe(0);
    expect(await world.context.db.$count(programmeFeeds, eq(programmeFeeds.roomId, maker.roomId))).toBe(0);
    await expect(world.context.storage.size(pieceFile(maker.roomId, "programme", 10))).rejects.toThrow();
  });

  it("that cannot be put together says so, and keeps its pieces", async () => {
    const { hour, post, rows, maker } = await composedHour();
    await hour.run({ type: "recording.begin", way: "hand" });
    await post(2, true);
    await hour.run({ type: "recording.stop" });
    const broken = {
      ...world.context,
      async *makeMedia() {
        yield { kind: "failed", why: "no picture in the pieces" } as const;
      },
    };
    await joinRecordings(broken);
    expect((await rows())[0]!.state).toBe("failed");
    expect(await lettersOf(hour.event.eventId)).toEqual([ready, ready].map((one) => ({ ...one, isReady: false })));
    // tried again by the team, once
    const { id } = (await rows())[0]!;
    await joinAgain(world.context, world.owner, id);
    expect((await rows())[0]!.state).toBe("waiting");
    expect(await codeOf(joinAgain(world.context, world.owner, id))).toBe("wrong-state");
    expect(await world.context.db.$count(recordedPieces, eq(recordedPieces.roomId, maker.roomId))).toBe(2);
    expect(await world.context.storage.size(pieceFile(maker.roomId, "programme", 2))).toBe(2);
  });

  it("of which nothing came is no recording", async () => {
    const { hour, rows } = await composedHour();
    await hour.run({ type: "recording.begin", way: "hand" });
    await hour.run({ type: "recording.stop" });
    expect(await rows()).toEqual([]);
  });
});

describe("pieces that follow one another", () => {
  it("are a run as long as their numbers go on and the same segment reads them", () => {
    const piece = (number: number, initNumber: number) => ({ number, initNumber, roomId: "r" });
    const runs = runsOf([piece(1, 1), piece(2, 1), piece(4, 1), piece(5, 2), piece(6, 2)]);
    expect(runs.map((run) => run.map(({ number }) => number))).toEqual([[1, 2], [4], [5, 6]]);
    expect(runsOf([])).toEqual([]);
  });
});
