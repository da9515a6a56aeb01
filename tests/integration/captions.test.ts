import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { CaptionRow, CommandBody } from "@/contracts";
import { mainRoomOf } from "@/server/db/queries/journal";
import { logReader } from "@/server/room";
import { captionsFile } from "@/server/services/afterwards/caption-files";
import { openHour, type Hour } from "../support/hour";
import { makeWorld, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
let hour: Hour;
let people: { producer: string; captioner: string; attendee: string };
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
const run = (command: CommandBody) => hour.run(command);
const say = (
  text: string,
  part: { as?: keyof typeof people; language?: string; replacesId?: string; id?: string } = {},
) =>
  hour.bring(
    people[part.as ?? "captioner"],
    { type: "captions.say", language: part.language ?? "en", text, replacesId: part.replacesId ?? null },
    part.id,
  );
const feed = async () => {
  const room = await mainRoomOf(world.context.db, hour.event.occurrenceId);
  const rows = await logReader("captions:lines").after(world.context.db, room!.id, "captions:lines", 0, 100);
  return rows.map((row) => row.row as CaptionRow);
};
beforeEach(async () => {
  hour = await openHour(world, ["Anna Lowe"], [{ name: "Ilka Varn", role: "captioner" }]);
  people = { producer: hour.producerId, captioner: hour.stage[0]!, attendee: hour.guests[0]! };
  world.clock.set(Date.parse("2026-11-26T18:00:00Z"));
  await run({ type: "hour.raise-curtain" });
  await run({ type: "captions.set-languages", languages: ["en", "es"] });
});

describe("rule 24: captions in the database", () => {
  it("are a captioner's or the team's to write, in a language that is open", async () => {
    expect(await codeOf(say("Good evening."))).toBe("done");
    expect(await codeOf(say("Good evening.", { as: "producer" }))).toBe("done");
    expect(await codeOf(say("Good evening.", { as: "attendee" }))).toBe("not-allowed");
    expect(await codeOf(say("Guten Abend.", { language: "de" }))).toBe("not-found");
  });
  it("a repeated command is the same line; a correction within ten seconds takes its place, a later one is a line of its own", async () => {
    const id = randomUUID();
    await say("Good evning.", { id });
    await say("Good evning.", { id });
    world.clock.advance(9_000);
    await say("Good evening.", { replacesId: id });
    expect((await feed()).map((line) => line.text)).toEqual(["Good evening."]);
    world.clock.advance(2_000);
    await say("Good night.", { replacesId: id });
    expect((await feed()).map((line) => line.text)).toEqual(["Good evening.", "Good night."]);
    // nobody puts another's line right
    const own = randomUUID();
    await say("Mine.", { id: own });
    await say("Not yours.", { as: "producer", replacesId: own });
    expect((await feed()).map((line) => line.text)).toContain("Mine.");
  });
  it("are the date's files by language, counted from the rise of the curtain, one after the other", async () => {
    world.clock.advance(4_000);
    await say("The knots came early. We counted until the light was gone on the north creek.");
    await say("Las aves llegaron pronto.", { language: "es" });
    const file = (language: string) =>
      captionsFile(world.context, world.owner, hour.event.eventId, hour.event.occurrenceId, language);
    expect(await file("en")).toBe(
      [
        "WEBVTT\n",
        "00:00:04.000 --> 00:00:05.412\nThe knots came early.\n",
        "00:00:05.412 --> 00:00:09.294\nWe counted until the light was gone\non the north creek.\n",
      ].join("\n"),
    );
    expect(await file("es")).toContain("Las aves llegaron pronto.");
    expect(await codeOf(file("fr"))).toBe("not-found");
  });
});
