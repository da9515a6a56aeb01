import { randomUUID } from "node:crypto";
import { inArray } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CommandBody } from "@/contracts";
import { project, noFigures, type StageView } from "@/core/room";
import { tickets } from "@/server/db/schema";
import { loadDirectory } from "@/server/room";
import { executeWhole, roomOf } from "@/server/services/ground/room/commands";
import { openHour, type Hour } from "../support/hour";
import { addTicket, makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let [first, second] = ["", ""];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl", "Oskar Vell"]);
  first = await addTicket(world, hour.event, "interpreter", "Livia Aranda");
  second = await addTicket(world, hour.event, "interpreter", "Tomas Reyo");
  await world.context.db
    .update(tickets)
    .set({ languages: ["en", "es"] })
    .where(inArray(tickets.id, [first, second]));
});
const as = (by: string, command: CommandBody) =>
  executeWhole(
    world.context,
    world.cache,
    { actorId: by, actor: { role: "interpreter", duties: [] }, occurrenceId: hour.event.occurrenceId },
    { commandId: randomUUID(), command },
  );
const code = (act: Promise<unknown>) =>
  act.then(
    () => "done",
    (error: { failure?: { code: string } }) => error.failure?.code ?? "defect",
  );
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
    expect(await code(as(second, speak))).toBe("channel-taken");
    expect(await code(as(second, { type: "channels.open-microphone", language: "fr" }))).toBe("not-found");
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
});
