import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { openHour, type Hour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { addTicket, makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
});
type Ear = Awaited<ReturnType<typeof joinAs>>;
const comesIn = (ear: Ear) => ear.until((one) => one.event === "follow" && one.data.topics.includes("hour:house"));
const waitsFor = (what: string, ear: Ear) =>
  ear.until((one) => one.event === "personal" && one.data.me.waitsFor === what);
const turn = (on: boolean) =>
  hour.run({ type: "hour.set-switch", set: { name: "door", value: { on } }, seen: { on: !on } });

describe("whoever waits in the foyer", () => {
  it("is told what they wait for, each time that this is something else", async () => {
    const hub = makeHub(world);
    try {
      await hour.run({ type: "hour.hold-doors" });
      const oskar = await joinAs(
        world,
        hub,
        hour.event,
        await addTicket(world, hour.event, "attendee", "Oskar"),
        "attendee",
      );
      await waitsFor("held-doors", oskar);
      await turn(true);
      await hour.run({ type: "hour.release-doors" });
      await waitsFor("host", oskar);
    } finally {
      await hub.close();
    }
  });
});

describe("people are let in one by one", () => {
  it("whoever comes waits at the door until they are named; whoever was inside comes straight back", async () => {
    const hub = makeHub(world);
    try {
      await turn(true);
      const [oskar, tomas] = [
        await addTicket(world, hour.event, "attendee", "Oskar Vell"),
        await addTicket(world, hour.event, "attendee", "Tomas Reed"),
      ];
      const first = await joinAs(world, hub, hour.event, oskar, "attendee");
      const second = await joinAs(world, hub, hour.event, tomas, "attendee");
      const back = await joinAs(world, hub, hour.event, hour.guests[0]!, "attendee");
      await Promise.all([waitsFor("host", first), waitsFor("host", second), comesIn(back)]);
      await hour.run({ type: "hour.let-in", ticketIds: [oskar] });
      await comesIn(first);
      expect(second.heard.some((one) => one.event === "follow" && one.data.topics.includes("hour:house"))).toBe(false);
      await expect(hour.run({ type: "hour.let-in", ticketIds: [oskar] })).rejects.toMatchObject({
        failure: { code: "already-done" },
      });
      // no longer one by one: whoever still waits comes in
      await turn(false);
      await comesIn(second);
    } finally {
      await hub.close();
    }
  });
});
