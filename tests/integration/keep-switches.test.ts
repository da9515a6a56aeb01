import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { events } from "@/server/db/schema";
import { keepSwitches } from "@/server/services/hour/keep-switches";
import { loadPlan } from "@/server/services/planning/events";
import { openHour } from "../support/hour";
import { addMember, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

describe("the audience's settings of an hour", () => {
  it("are kept for the event's further dates where asked: the plan has them, what was not turned stays", async () => {
    const { event, run } = await openHour(world, []);
    const before = (await loadPlan(world.context, world.owner, event.eventId)).plan.switches;
    await run({ type: "hour.set-switch", set: { name: "chat", value: { isHeld: true } }, seen: { isHeld: false } });
    await run({ type: "hour.set-switch", set: { name: "door", value: { on: true } }, seen: { on: false } });
    expect((await loadPlan(world.context, world.owner, event.eventId)).plan.switches).toEqual(before);
    const kept = await keepSwitches(world.context, world.owner, event.eventId, event.occurrenceId);
    expect(kept).toEqual({ ...before, chat: { ...before.chat, isHeld: true }, door: { on: true } });
    const { plan, event: row } = await loadPlan(world.context, world.owner, event.eventId);
    expect(plan.switches).toEqual(kept);
    // whoever has the plan open in another window is told when they save
    expect(row.version).toBe(2);
  });
  it("are the event's planner's to keep", async () => {
    const { event } = await openHour(world, []);
    const stranger = await addMember(world.context, world.organisationId, "crew", "Nuno Fenmoor");
    await expect(keepSwitches(world.context, stranger, event.eventId, event.occurrenceId)).rejects.toThrow();
    const [row] = await world.context.db.select().from(events).where(eq(events.id, event.eventId));
    expect(row!.version).toBe(1);
  });
});
