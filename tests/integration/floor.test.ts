import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import type { PersonalPart } from "@/core/room";
import { roomOf } from "@/server/services/ground/room/commands";
import { dismissAway } from "@/server/services/hour/dismiss-away";
import { openHour, type Hour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let hour: Hour;
let event: MadeEvent;
let [producerId, ines, oskar] = ["", "", ""];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl", "Oskar Vell"]);
  ({ event, producerId } = hour);
  [ines, oskar] = hour.guests as [string, string];
  await run({ type: "hour.raise-curtain" });
});
const run = (command: CommandBody, by?: string) => hour.run(command, by);
const file = (name: "floor" | "attendance") => hour.file(name);

describe("hands and floor in the record", () => {
  it("each turn stands in floor.csv with its open time, each raised hand in the attendance", async () => {
    await run({ type: "floor.raise-hand" }, ines);
    await run({ type: "floor.offer", ticketId: ines, parts: ["sound"] });
    world.clock.advance(5000);
    await run({ type: "floor.accept" }, ines);
    await run({ type: "floor.set-microphone", isOpen: true }, ines);
    world.clock.advance(90_000);
    await run({ type: "floor.give-back" }, ines);
    await run({ type: "floor.raise-hand" }, ines);
    await run({ type: "floor.offer", ticketId: oskar, parts: ["sound"] });
    await run({ type: "floor.withdraw", ticketId: oskar });
    const rows = await file("floor");
    expect(rows.map(({ name, seconds_open: open, accepted_at: at }) => [name, open, at !== ""])).toEqual([
      ["Ines Marl", "90", true],
      ["Oskar Vell", "0", false],
    ]);
    expect(rows[0]!["email"]).toContain("@");
    const hands = (await file("attendance")).map(({ name, hands: n }) => [name, n]);
    expect(hands).toEqual(
      expect.arrayContaining([
        ["Ines Marl", "2"],
        ["Oskar Vell", "0"],
      ]),
    );
  });

  it("a hand whose owner left goes down by itself, once, whoever finds it", async () => {
    await run({ type: "floor.raise-hand" }, ines);
    const { occurrenceId } = event;
    await Promise.all([
      dismissAway(world.context, occurrenceId, [ines, oskar]),
      dismissAway(world.context, occurrenceId, [ines]),
    ]);
    expect((await roomOf(world.context.db, occurrenceId)).floor.hands.size).toBe(0);
    await run({ type: "floor.offer", ticketId: oskar, parts: ["sound"] });
    await dismissAway(world.context, occurrenceId, [oskar]);
    expect((await roomOf(world.context.db, occurrenceId)).floor.holders.size).toBe(0);
  });

  it("whoever left with the floor and their screen shares no more", async () => {
    const { occurrenceId } = event;
    await run({ type: "floor.offer", ticketId: oskar, parts: ["sound", "screen"] });
    await run({ type: "floor.accept" }, oskar);
    await run({ type: "floor.share-screen", overId: null }, oskar);
    expect((await roomOf(world.context.db, occurrenceId)).stage.screens).toEqual([oskar]);
    await Promise.all([1, 2].map(() => dismissAway(world.context, occurrenceId, [oskar])));
    const { stage, floor } = await roomOf(world.context.db, occurrenceId);
    expect([stage.screens, floor.holders.size]).toEqual([[], 0]);
  });
});

describe("the floor on the screens", () => {
  it("its holder alone is told, and the house only who is heard", async () => {
    const hub = makeHub(world);
    const [own, other] = [
      await joinAs(world, hub, event, ines, "attendee"),
      await joinAs(world, hub, event, oskar, "attendee"),
    ];
    const meOf = (one: { event: string; data: unknown }) =>
      one.event === "personal" ? (one.data as { me: PersonalPart }).me.own.floor : undefined;
    const shown = async (command: CommandBody, by = producerId) =>
      hub.published(event.occurrenceId, (await hour.carryOut(randomUUID(), command, by)).done);
    await own.until((one) => meOf(one) !== undefined);
    await shown({ type: "floor.raise-hand" }, ines);
    await own.until((one) => typeof meOf(one)?.handAt === "number");
    await shown({ type: "floor.offer", ticketId: ines, parts: ["sound"] });
    await own.until((one) => meOf(one)?.parts?.[0] === "sound");
    await shown({ type: "floor.accept" }, ines);
    await shown({ type: "floor.set-microphone", isOpen: true }, ines);
    await other.until((one) => one.event === "change" && JSON.stringify(one.data).includes("Ines Marl"));
    const told = JSON.stringify(other.heard);
    expect(told).not.toContain('"handAt":1');
    expect(other.heard.some((one) => meOf(one)?.parts)).toBe(false);
    await hub.close();
  });
});
