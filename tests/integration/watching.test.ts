import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { people, plays, recordings, tickets } from "@/server/db/schema";
import { keepPlays, shownHeat, watchingOfDate } from "@/server/services/afterwards/watching";
import { ticketAmong, tokenOf } from "@/server/services/way-in/tickets";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
import { makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let recording: { id: string; organisationId: string; durationSeconds: number; kept: null };
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl", "Oskar Vell"]);
  recording = { id: randomUUID(), organisationId: world.organisationId, durationSeconds: 100, kept: null };
  const about = { title: "Tides", fileName: "x.mp4", mediaType: "video/mp4", sizeBytes: 1 } as const;
  await world.context.db.insert(recordings).values({
    ...{ ...recording, ...about, slug: randomUUID(), occurrenceId: hour.event.occurrenceId },
    uploadedAt: world.clock.now(),
  });
  await hour.run({ type: "hour.end" });
});
type Spans = readonly (readonly [number, number])[];
const told = (spans: Spans, viewId = randomUUID()) => ({
  viewId,
  plays: spans.map(([fromSeconds, toSeconds]) => ({ id: randomUUID(), fromSeconds, toSeconds })),
});
const watch = (who: { ticketId: string } | { browser: string }, spans: Spans) =>
  keepPlays(world.context, recording, who, told(spans));
const came = async () => (await watchingOfDate(world.context.db, hour.event.occurrenceId, [recording]))[0]!;

describe("rule 14: a recording is watched", () => {
  it("by somebody with a ticket and by a browser, told apart; the file has the figures of the rule", async () => {
    const [ines] = hour.guests as [string];
    await watch({ ticketId: ines }, [
      [0, 40],
      [30, 70],
    ]);
    world.clock.advance(60_000);
    await watch({ ticketId: ines }, [[80, 100]]);
    await watch({ browser: "somebody" }, [[0, 25]]);
    expect(await came()).toMatchObject({
      knownCount: 1,
      browserCount: 1,
      viewCount: 3,
      completeCount: 1,
      meanCoverage: (0.9 + 0.25) / 2,
    });
    const [person] = await world.context.db
      .select({ name: people.name, email: people.email })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(tickets.id, ines));
    const file = await hour.file("viewers");
    expect(Object.keys(file[0]!).join()).toBe(
      "name,email,watched_seconds,coverage_percent,is_complete,first_at,last_at,views",
    );
    expect(
      file.map((row) => [
        row["name"],
        row["email"],
        row["watched_seconds"],
        row["coverage_percent"],
        row["is_complete"],
      ]),
    ).toEqual([
      [person!.name, person!.email, "90", "90", "yes"],
      ["", "", "25", "25", "no"],
    ]);
    expect(file.map((row) => row["views"])).toEqual(["2", "1"]);
    expect(Date.parse(file[0]!["last_at"]!) - Date.parse(file[0]!["first_at"]!)).toBe(60_000);
  });
  it("a stretch that is told again as it grows is one; told late, it does not shrink", async () => {
    const who = { browser: "one" };
    const id = randomUUID();
    const viewId = randomUUID();
    for (const toSeconds of [10, 30, 20])
      await keepPlays(world.context, recording, who, { viewId, plays: [{ id, fromSeconds: 5, toSeconds }] });
    const rows = await world.context.db.select().from(plays).where(eq(plays.playId, id));
    expect(rows.map((row) => [row.fromSeconds, row.toSeconds])).toEqual([[5, 30]]);
    expect(await came()).toMatchObject({ viewCount: 1, meanCoverage: 0.25 });
  });
  it("of one stretch that is told twice in one go the longer counts; of unknown length seconds count, shares do not", async () => {
    const id = randomUUID();
    const plays_ = [10, 40, 20].map((toSeconds) => ({ id, fromSeconds: 5, toSeconds }));
    await keepPlays(world.context, recording, { browser: "twice" }, { viewId: randomUUID(), plays: plays_ });
    expect(await came()).toMatchObject({ meanCoverage: 0.35 });
    await world.context.db.update(recordings).set({ durationSeconds: null }).where(eq(recordings.id, recording.id));
    const [row] = await hour.file("viewers");
    expect([row!["watched_seconds"], row!["coverage_percent"], row!["is_complete"]]).toEqual(["35", "0", "no"]);
  });
  it("takes what many tell at once, and no more than 500 stretches of one", async () => {
    const who = { browser: "busy" };
    await Promise.all(
      Array.from({ length: 12 }, () =>
        watch(
          who,
          Array.from({ length: 50 }, (_, i) => [i, i + 1] as const),
        ),
      ),
    );
    await watch(who, [[99, 100]]);
    const kept = await world.context.db.$count(plays);
    expect(kept).toBeLessThan(700);
    expect(await came()).toMatchObject({ browserCount: 1, meanCoverage: 0.5 });
  });
  it("refuses what no player tells, and keeps nothing of it", async () => {
    const wrong: unknown[] = [
      null,
      {},
      { viewId: "x", plays: [] },
      told([[0, -1]]),
      told([[0, 90_000_000]]),
      told(Array.from({ length: 51 }, () => [0, 1] as const)),
    ];
    for (const input of wrong)
      expect(await codeOf(keepPlays(world.context, recording, { browser: "b" }, input))).toBe("invalid-input");
    await watch({ browser: "b" }, [[7, 7]]);
    expect(await came()).toMatchObject({ browserCount: 0, meanCoverage: null, dropOff: [] });
  });
  it("shows visitors how often parts were watched only of five viewers or more", async () => {
    const { occurrenceId } = hour.event;
    const shown = () => shownHeat(world.context.db, occurrenceId, recording.id, 100);
    for (const browser of ["a", "b", "c", "d"]) await watch({ browser }, [[0, 50]]);
    expect(await shown()).toEqual([]);
    const five = { ...recording, id: randomUUID() };
    await world.context.db.insert(recordings).values({
      ...{
        ...five,
        slug: randomUUID(),
        occurrenceId,
        title: "Two",
        fileName: "y.mp4",
        mediaType: "video/mp4" as const,
      },
      ...{ sizeBytes: 1, uploadedAt: world.clock.now() },
    });
    for (const browser of ["a", "b", "c", "d", "e"]) await keepPlays(world.context, five, { browser }, told([[0, 50]]));
    const heat = await shownHeat(world.context.db, occurrenceId, five.id, 100);
    expect(heat.map((one) => Math.round(one * 1000) / 1000)).toEqual(
      Array.from({ length: 60 }, (_, i) => (i < 30 ? 5 : 0)),
    );
  });
});

describe("whose browser it is", () => {
  it("is the ticket of this event among its links; another event's, a forged or a withdrawn one is none", async () => {
    const other = await openHour(world, ["Rui Sand"]);
    const tokenFor = async (id: string) => {
      const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, id));
      return tokenOf(world.context, ticket!);
    };
    const [own, foreign] = [await tokenFor(hour.guests[0]!), await tokenFor(other.guests[0]!)];
    const { eventId } = hour.event;
    expect(await ticketAmong(world.context, eventId, ["forged", foreign, own])).toMatchObject({ id: hour.guests[0] });
    expect(await ticketAmong(world.context, eventId, ["forged", foreign])).toBeNull();
    expect(await ticketAmong(world.context, eventId, [])).toBeNull();
  });
});
