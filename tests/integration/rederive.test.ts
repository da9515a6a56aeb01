import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { hourMs, minuteMs } from "@/core/time";
import { messages, occurrences } from "@/server/db/schema";
import { rederiveInstants } from "@/server/services/planning/dates/rederive";
import { register } from "@/server/services/way-in/registration";
import { eventAccess } from "@/server/services/ground/access";
import { makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const dateOf = async (event: MadeEvent) =>
  (await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId)))[0]!;

describe("a new zone database (rule 1)", () => {
  it("moves the instant of a coming date, never its announced hour; reminders follow, live dates do not", async () => {
    world.clock.set(startOfTime);
    const [coming, live] = [await makeEvent(world), await makeEvent(world)];
    const { event } = await eventAccess(world.context, world.owner, coming.eventId);
    const who = { name: "Ines", email: "ines@example.org", zone: null, hasConsented: true, source: null, answers: {} };
    await register(world.context, { event, occurrence: await dateOf(coming) }, who, "local");
    const right = await dateOf(coming);
    // as an older database had it: the country kept its clock an hour behind
    for (const id of [coming.occurrenceId, live.occurrenceId])
      await world.context.db
        .update(occurrences)
        .set({ startAt: right.startAt + hourMs, endAt: right.endAt + hourMs })
        .where(eq(occurrences.id, id));
    await world.context.db.update(occurrences).set({ phase: "open" }).where(eq(occurrences.id, live.occurrenceId));
    expect([await rederiveInstants(world.context), await rederiveInstants(world.context)]).toEqual([1, 0]);
    const after = await dateOf(coming);
    expect([after.startLocal, after.startAt, after.endAt]).toEqual([right.startLocal, right.startAt, right.endAt]);
    expect(after.sequence).toBe(right.sequence + 1);
    expect((await dateOf(live)).startAt).toBe(right.startAt + hourMs);
    const planned = await world.context.db.select().from(messages).where(eq(messages.eventId, coming.eventId));
    expect(
      planned
        .filter((row) => row.kind === "reminder")
        .map((row) => right.startAt - row.plannedDueAt)
        .sort(),
    ).toEqual([20 * minuteMs, 24 * hourMs].sort());
  });
});
