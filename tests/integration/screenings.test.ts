import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { occurrences, recordings } from "@/server/db/schema";
import { deleteRecording } from "@/server/services/afterwards/bin-recording";
import { applyExtent } from "@/server/services/planning/dates/extents";
import { planScreening, screeningsAhead } from "@/server/services/afterwards/screenings";
import { runScreening, runScreenings } from "@/server/services/hour/run-screening";
import { codeOf } from "../support/code-of";
import { openHour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeWorld, seat, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

async function recorded(own: Partial<typeof recordings.$inferInsert> = {}) {
  const hour = await openHour(world, []);
  await hour.run({ type: "hour.end" });
  const id = randomUUID();
  await world.context.db.insert(recordings).values({
    ...{ id, organisationId: world.organisationId, occurrenceId: hour.event.occurrenceId, slug: id, title: "Tides" },
    ...{ fileName: `${id}.media`, mediaType: "video/mp4", sizeBytes: 9, durationSeconds: 1800 },
    uploadedAt: world.clock.now(),
    ...own,
  });
  return { id, hour };
}
const dateOf = async (id: string) =>
  (await world.context.db.select().from(occurrences).where(eq(occurrences.id, id)))[0]!;
/** The next whole minute, so far ahead: dates begin on minutes. */
const ahead = (minutes: number) => Math.ceil(world.clock.now() / minuteMs) * minuteMs + minutes * minuteMs;

describe("a recording that is to be watched together", () => {
  it("is a date of its event, as long as the recording, that says which one", async () => {
    const { id, hour } = await recorded();
    const startAt = ahead(120);
    const occurrenceId = await planScreening(world.context, world.owner, id, { startAt });
    expect(await dateOf(occurrenceId)).toMatchObject({
      ...{ eventId: hour.event.eventId, kind: "show", screeningOf: id, startAt, endAt: startAt + 30 * minuteMs },
      ...{ phase: "scheduled", callMinutes: 0 },
    });
    const [recording] = await world.context.db.select().from(recordings).where(eq(recordings.id, id));
    expect((await screeningsAhead(world.context, recording!)).ahead).toEqual([{ occurrenceId, startAt }]);
  });
  it("is refused in the past, twice at one time, while it is not ready, and once it is deleted", async () => {
    const { id } = await recorded();
    const plan = (recordingId: string, startAt: number) =>
      codeOf(planScreening(world.context, world.owner, recordingId, { startAt }));
    expect(await plan(id, world.clock.now() - 1)).toBe("date-past");
    const failed = await recorded({ state: "failed" });
    expect(await plan(failed.id, ahead(90))).toBe("recording-not-ready");
    const unknown = await recorded({ durationSeconds: null });
    expect(await plan(unknown.id, ahead(90))).toBe("recording-not-ready");
    await deleteRecording(world.context, world.owner, id);
    expect(await plan(id, ahead(90))).toBe("not-found");
    expect(await plan(randomUUID(), ahead(90))).toBe("not-found");
  });
  it("is not deleted before that; once the date is cancelled, it is", async () => {
    const { id, hour } = await recorded();
    const occurrenceId = await planScreening(world.context, world.owner, id, { startAt: ahead(180) });
    const remove = () => codeOf(deleteRecording(world.context, world.owner, id));
    expect(await remove()).toBe("screening-planned");
    const change = { kind: "call-off" };
    await applyExtent(world.context, world.owner, hour.event.eventId, { markedIds: [occurrenceId], change }, false);
    expect(await remove()).toBe("done");
  });
  it("is over however long the database takes: what is due is judged by the instant that is written", async () => {
    const { id } = await recorded();
    const startAt = ahead(30);
    const occurrenceId = await planScreening(world.context, world.owner, id, { startAt });
    world.clock.set(startAt);
    await runScreening(world.context, occurrenceId);
    await runScreening(world.context, occurrenceId);
    const { showStartedAt } = await dateOf(occurrenceId);
    // time goes on between one look at the clock and the next
    const passing = { ...world.context, clock: { now: () => (world.clock.advance(1), world.clock.now()) } };
    for (const after of [30 * minuteMs - 2, 30 * minuteMs + 1000, 46 * minuteMs]) {
      world.clock.set(showStartedAt! + after);
      await runScreening(passing, occurrenceId);
    }
    expect((await dateOf(occurrenceId)).phase).toBe("ended");
  });
  it("goes on by itself: foyer, doors, curtain, end; whoever watches is told where it is", async () => {
    const { id, hour } = await recorded();
    const startAt = ahead(30);
    const occurrenceId = await planScreening(world.context, world.owner, id, { startAt });
    await runScreenings(world.context);
    expect((await dateOf(occurrenceId)).phase).toBe("scheduled");
    world.clock.set(startAt - 10 * minuteMs);
    await runScreenings(world.context);
    expect(await dateOf(occurrenceId)).toMatchObject({ phase: "open", doorsOpenedAt: world.clock.now() });
    const event = { ...hour.event, occurrenceId };
    const guest = await addTicket(world, event, "attendee", "Ines Marl");
    await seat(world, event, guest);
    const hub = makeHub(world);
    await hub.listener.listening;
    const { until, leave } = await joinAs(world, hub, event, guest, "attendee");
    world.clock.set(startAt);
    // two processes see it at once: it begins once
    await Promise.all([runScreening(world.context, occurrenceId), runScreening(world.context, occurrenceId)]);
    const told = JSON.stringify(await until(({ data }) => JSON.stringify(data).includes('runsSince":' + startAt)));
    expect(told).toContain(`"lengthMs":${30 * minuteMs}`);
    expect((await dateOf(occurrenceId)).showStartedAt).toBe(startAt);
    leave();
    await hub.close();
    world.clock.set(startAt + 30 * minuteMs);
    await runScreenings(world.context);
    world.clock.set(startAt + 45 * minuteMs);
    await runScreenings(world.context);
    expect(await dateOf(occurrenceId)).toMatchObject({ phase: "ended", endedAt: world.clock.now() });
  });
});
