import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dayMs, minuteMs } from "@/core/time";
import { occurrences, rooms, tickets } from "@/server/db/schema";
import { compareDates } from "@/server/services/overview/compare";
import { seriesOf } from "@/server/services/overview/series";
import { held } from "../support/held";
import { addMember, addPerson, makeEvent, makeWorld, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

/** One more date of an event, a week later, at which these people were, each for so many minutes. */
async function dateOf(event: MadeEvent, week: number, minutesOf: ReadonlyMap<string, number>): Promise<string> {
  const { db } = world.context;
  const [first] = await db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
  const occurrenceId = week === 0 ? event.occurrenceId : world.context.ids.id();
  if (week > 0) {
    const shift = week * 7 * dayMs;
    const local = { originalStartLocal: new Date(first!.startAt + shift).toISOString().slice(0, 16) };
    const { startAt, endAt } = { startAt: first!.startAt + shift, endAt: first!.endAt + shift };
    await db.insert(occurrences).values({ ...first!, id: occurrenceId, startAt, endAt, phase: "scheduled", ...local });
    await db.insert(rooms).values({ occurrenceId, organisationId: world.organisationId });
  }
  const { raisedAt } = await held(world, occurrenceId);
  for (const [personId, minutes] of minutesOf) {
    const id = world.context.ids.id();
    const of = { organisationId: world.organisationId, eventId: event.eventId, occurrenceId, personId };
    await db.insert(tickets).values({ id, ...of, role: "attendee", registeredAt: raisedAt - dayMs });
    const toAt = raisedAt + minutes * minuteMs;
    if (minutes > 0) await stayed(world, occurrenceId, id, { fromAt: raisedAt, toAt });
  }
  return occurrenceId;
}

describe("all dates of an event (rule 17)", () => {
  it("stand in their order, with who comes for the first time, who comes every time, and what changes", async () => {
    const event = await makeEvent(world, { title: "Tides, weekly" });
    const [ana, ben, cy, dee] = (await Promise.all(
      ["Ana", "Ben", "Cy", "Dee"].map((name) => addPerson(world.context, world.organisationId, name)),
    )) as [string, string, string, string];
    const ids = [
      await dateOf(event, 0, new Map([[ana, 60]])),
      await dateOf(
        event,
        1,
        new Map([
          [ana, 60],
          [ben, 30],
        ]),
      ),
      // Dee registered and did not come
      await dateOf(
        event,
        2,
        new Map([
          [ana, 60],
          [ben, 60],
          [cy, 60],
          [dee, 0],
        ]),
      ),
    ];
    const series = await seriesOf(world.context, world.owner, event.eventId);
    expect(series.dates.map(({ id, came, registered, firstTime }) => [id, came, registered, firstTime])).toEqual([
      [ids[0], 1, 1, 1],
      [ids[1], 2, 2, 1],
      [ids[2], 3, 4, 1],
    ]);
    expect(series).toMatchObject({
      heldCount: 3,
      people: 3,
      byTimes: [1, 1, 1],
      regulars: [
        { name: "Ana", times: 3 },
        { name: "Ben", times: 2 },
      ],
    });
    // 1, 2, 3 people: one more a date, on a line
    expect(series.trends.came).toMatchObject({ perStep: 1, low: 1, high: 1, n: 3 });
    // by hand: 60, 45, 60 minutes have no slope
    expect(series.trends.meanStayMinutes!.perStep).toBeCloseTo(0, 10);
    // 100, 100, 75 %
    expect(series.trends.showUpPercent!.perStep).toBeCloseTo(-12.5, 10);
  });

  it("are the latest 24 where there are more; a date compared is found among any number", async () => {
    const event = await makeEvent(world, { title: "Tides, for long" });
    const person = await addPerson(world.context, world.organisationId, "Always There");
    const ids: string[] = [];
    for (let week = 0; week < 26; week += 1) ids.push(await dateOf(event, week, new Map([[person, 50]])));
    const series = await seriesOf(world.context, world.owner, event.eventId);
    expect(series).toMatchObject({ heldCount: 26, people: 1 });
    expect(series.dates.map(({ id }) => id)).toEqual(ids.slice(2));
    expect(series.byTimes.at(-1)).toBe(1);
    // sixty newer dates of another event stand between
    const crowd = await makeEvent(world, { title: "Every day" });
    for (let day = 0; day < 60; day += 1) await dateOf(crowd, 40 + day, new Map());
    const both = await compareDates(world.context, world.owner, event.eventId, ids[0]!, [ids[1]!]);
    expect(both.dates.map(({ id }) => id)).toEqual([ids[0], ids[1]]);
  });

  it("are for whoever may read the event alone", async () => {
    const event = await makeEvent(world);
    const crew = await addMember(world.context, world.organisationId, "crew", "Not On The List");
    await expect(seriesOf(world.context, crew, event.eventId)).rejects.toMatchObject({
      failure: { code: expect.stringMatching(/not-allowed|not-found/) as string },
    });
  });
});
