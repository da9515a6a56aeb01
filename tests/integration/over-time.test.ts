import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import { minuteMs } from "@/core/time";
import { occurrences, segments } from "@/server/db/schema";
import { extendDate } from "@/server/services/hour/extend";
import { execute, roomOf } from "@/server/services/ground/room/commands";
import { saveLicences } from "@/server/services/organisation/licences";
import { datesOf } from "@/server/services/planning/dates/load";
import { saveRunSheet } from "@/server/services/planning/run-sheets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let producerId: string;
const ids = [randomUUID(), randomUUID(), randomUUID(), randomUUID()];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
const run = (command: CommandBody) =>
  execute(
    world.context,
    world.cache,
    { actorId: producerId, actor: { role: "producer", duties: [] }, occurrenceId: event.occurrenceId },
    { commandId: randomUUID(), command },
  );
beforeEach(async () => {
  world.clock.set(Date.parse("2026-11-26T17:50:00Z"));
  event = await makeEvent(world, { houseSize: 50 });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  ids.forEach((_, i) => (ids[i] = randomUUID()));
  await saveRunSheet(world.context, world.owner, event.eventId, {
    segments: ids.map((id, i) => ({
      id,
      title: `Part ${i + 1}`,
      lengthMinutes: 10 * (i + 1),
      fixedStartLocal: null,
      leaderTicketId: null,
      pollId: null,
    })),
    polls: [],
    parts: [],
  });
  await run({ type: "stage.enter" });
  await run({ type: "hour.open-doors" });
  await run({ type: "cues.next", leavingSegmentId: null });
});

describe("an hour that runs over", () => {
  it("has the rest shortened in one act, which can be taken back", async () => {
    const set = (minutes: readonly number[]) =>
      run({
        type: "cues.set-lengths",
        lengths: minutes.map((one, i) => ({ segmentId: ids[i + 1]!, minutes: one })),
      });
    const stored = async () =>
      (await world.context.db.select().from(segments).where(eq(segments.occurrenceId, event.occurrenceId)))
        .sort((a, b) => a.position - b.position)
        .map((row) => row.lengthMinutes);
    await set([15, 25, 30]);
    expect(await stored()).toEqual([10, 15, 25, 30]);
    await set([20, 30, 40]);
    expect(await stored()).toEqual([10, 20, 30, 40]);
    const foreign = { type: "cues.set-lengths" as const, lengths: [{ segmentId: randomUUID(), minutes: 5 }] };
    await expect(run(foreign)).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("leaves a segment out: the next cue goes past it, and a jump takes it in again", async () => {
    await run({ type: "cues.skip", segmentId: ids[1]!, isSkipped: true });
    await run({ type: "cues.skip", segmentId: ids[2]!, isSkipped: true });
    await run({ type: "cues.skip", segmentId: ids[2]!, isSkipped: false });
    await run({ type: "cues.next", leavingSegmentId: ids[0]! });
    const room = await roomOf(world.context.db, event.occurrenceId);
    expect(room.cues.given.map((cue) => cue.segmentId)).toEqual([ids[0], ids[2]]);
    // what is on cannot be left out
    await expect(run({ type: "cues.skip", segmentId: ids[2]!, isSkipped: true })).rejects.toMatchObject({
      failure: { code: "cue-moved" },
    });
    await run({ type: "cues.jump", leavingSegmentId: ids[2]!, segmentId: ids[1]! });
    expect((await roomOf(world.context.db, event.occurrenceId)).cues.skipped).toEqual([]);
  });

  it("ends later where the licence is free, and says what stands in the way where it is not", async () => {
    await saveLicences(world.context, world.owner, [
      { size: 50, count: 5 },
      { size: 200, count: 1 },
    ]);
    const large = await makeEvent(world, { houseSize: 200 });
    await world.context.db.update(occurrences).set({ phase: "open" }).where(eq(occurrences.id, large.occurrenceId));
    const date = async () => (await datesOf(world.context.db, large.eventId))[0]!;
    const extend = (minutes: number, seen: number) =>
      extendDate(world.context, world.owner, large.eventId, large.occurrenceId, minutes, seen);
    const { endAt } = await date();
    await extend(10, endAt);
    expect((await date()).endAt - endAt).toBe(10 * minuteMs);
    // of two desks the second is told
    await expect(extend(10, endAt)).rejects.toMatchObject({ failure: { code: "edited-meanwhile" } });
    const after = await date();
    const local = new Date(after.endAt + 20 * minuteMs).toISOString().slice(0, 16);
    await makeEvent(world, { houseSize: 200, startLocal: local, zone: "UTC", callMinutes: 0 });
    await expect(extend(60, after.endAt)).rejects.toMatchObject({ failure: { code: "seats-clash" } });
    expect((await date()).endAt).toBe(after.endAt);
  });
});
