import { randomUUID } from "node:crypto";
import { parse } from "csv-parse/sync";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import type { Actor } from "@/core/people";
import type { SignalKind } from "@/core/room";
import { execute } from "@/server/services/ground/room/commands";
import { dateFile } from "@/server/services/afterwards/exports";
import { bringFact } from "@/server/services/hour/facts";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeEvent, makeWorld, seat, type MadeEvent, type World } from "../support/world";

const desk: Actor = { role: "producer", duties: [] };
let world: World;
let event: MadeEvent;
let producerId: string;
let guests: string[] = [];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(Date.parse("2026-11-26T18:00:00Z"));
  event = await makeEvent(world, { houseSize: 100 });
  producerId = await addTicket(world, event, "producer", "Second Producer");
  guests = [];
  for (const name of ["Ines", "Oskar", "Wenna", "Leira"]) guests.push(await addTicket(world, event, "attendee", name));
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
const run = (command: CommandBody) =>
  execute(world.context, world.cache, who(producerId, desk), { commandId: randomUUID(), command });
const give = (guest: string, kind: SignalKind, role: "attendee" | "test-guest" = "attendee") =>
  bringFact(world.context, who(guest, { role, duties: [] }), { type: "signals.give", kind }, null);

describe("rule 21: signals in the database", () => {
  it("are one of a kind a person each three seconds; another within that is as good as given", async () => {
    await give(guests[0]!, "yes");
    await expect(give(guests[0]!, "yes")).rejects.toMatchObject({ failure: { code: "already-done" } });
    await give(guests[0]!, "no");
    world.clock.advance(3000);
    await give(guests[0]!, "yes");
  });

  it("are kept as counts of ten seconds, without names and without test guests", async () => {
    const test = await addTicket(world, event, "test-guest", "Tess Tester");
    await seat(world, event, test);
    await give(guests[0]!, "applause");
    await give(guests[1]!, "applause");
    await give(test, "applause", "test-guest");
    world.clock.advance(10_000);
    await give(guests[0]!, "too-fast");
    const text = await dateFile(world.context, world.owner, event.eventId, event.occurrenceId, "signals");
    expect(parse(text, { columns: true, bom: true })).toEqual([
      { at: "2026-11-26T18:00:00Z", signal: "applause", count: "2" },
      { at: "2026-11-26T18:00:10Z", signal: "too-fast", count: "1" },
    ]);
  });

  it("are refused where the switch is off, and from whoever is not in the house", async () => {
    const outside = await addTicket(world, event, "attendee", "Nobody Here");
    await expect(give(outside, "yes")).rejects.toMatchObject({ failure: { code: "not-inside" } });
    await run({ type: "hour.set-switch", set: { name: "signals", value: { on: false } }, seen: { on: true } });
    await expect(give(guests[0]!, "yes")).rejects.toMatchObject({ failure: { code: "switched-off", what: "signals" } });
  });

  it("reach the house as a rate, and the desk as trouble once three of it cannot hear", async () => {
    const hub = makeHub(world);
    const [guest, producer] = [
      await joinAs(world, hub, event, guests[3]!, "attendee"),
      await joinAs(world, hub, event, producerId, "producer", { wantsDesk: true }),
    ];
    for (const id of guests.slice(0, 3)) hub.factBrought(event.occurrenceId, id, await give(id, "cannot-hear"));
    const isTold = (what: RegExp) => (one: { event: string; data: unknown }) =>
      one.event === "change" && what.test(JSON.stringify(one.data));
    await guest.until(isTold(/"signals","cannot-hear",\{"count":3\}/));
    await producer.until(isTold(/"troubles","cannot-hear",\{"count":3/));
    expect(JSON.stringify(guest.heard)).not.toContain("troubles");
    await hub.close();
  });
});
