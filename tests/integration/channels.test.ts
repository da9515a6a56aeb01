import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import { project, noFigures, type StageView } from "@/core/room";
import { loadDirectory } from "@/server/room";
import { roomOf } from "@/server/services/ground/room/commands";
import { dismissAway } from "@/server/services/hour/dismiss-away";
import { openHour, type Hour } from "../support/hour";
import { makeWorld, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
let hour: Hour;
let [first, second] = ["", ""];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  const pair: [string, string] = ["en", "es"];
  hour = await openHour(
    world,
    ["Ines Marl", "Oskar Vell"],
    ["Livia Aranda", "Tomas Reyo"].map((name) => ({ name, role: "interpreter", pair })),
  );
  [first, second] = hour.stage as [string, string];
});
const as = (by: string, command: CommandBody) => hour.run(command, by);
const channel = async () => {
  const { db } = world.context;
  const words = (await loadDirectory(db, hour.event.occurrenceId))!.words;
  const view = project("channels:team", await roomOf(db, hour.event.occurrenceId), words, noFigures);
  return (view as unknown as Pick<StageView, "channels">).channels["es"];
};
const speak: CommandBody = { type: "channels.open-microphone", language: "es" };

describe("rule 16: channels of interpreters in the database", () => {
  it("come from the pairs of the people list; one microphone speaks on each", async () => {
    await as(first, speak);
    expect(await codeOf(as(second, speak))).toBe("channel-taken");
    expect(await codeOf(as(second, { type: "channels.open-microphone", language: "fr" }))).toBe("not-found");
    expect(await channel()).toMatchObject({ speaker: "Livia Aranda", listeners: 0 });
  });
  it("are handed over when both agreed and the time has come, and go on without a gap", async () => {
    await as(first, speak);
    await as(second, { type: "channels.take-over", language: "es", inSeconds: 30 });
    await as(first, { type: "channels.agree", language: "es" });
    expect(await channel()).toMatchObject({ handOver: { to: "Tomas Reyo", isAgreed: true } });
    world.clock.advance(30_000);
    await as(second, speak);
    expect(await channel()).toMatchObject({ speaker: "Tomas Reyo", handOver: null });
  });
  it("are chosen by listeners, who are counted; the choice outlives whatever they come back with", async () => {
    await hour.run({ type: "channels.listen", language: "es" }, hour.guests[0]);
    await hour.run({ type: "channels.listen", language: "es" }, hour.guests[1]);
    await hour.run({ type: "channels.listen", language: null }, hour.guests[1]);
    expect(await channel()).toMatchObject({ listeners: 1, speaker: null });
  });
  it("are free a minute after the line of whoever spoke is gone, so that another can go on", async () => {
    await as(first, speak);
    await dismissAway(world.context, hour.event.occurrenceId, [first, hour.guests[0]!]);
    expect(await channel()).toMatchObject({ speaker: null });
    expect(await codeOf(as(second, speak))).toBe("done");
  });
});
