import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { messages, occurrences } from "@/server/db/schema";
import { inviteStagePeople } from "@/server/services/mailings/stage-invitations";
import { loadPlan } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import { fillSeries } from "@/server/services/planning/dates/fill";
import { addTicket, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const weekly = (count: number | null) =>
  ({
    freq: "WEEKLY",
    interval: 1,
    count,
    until: null,
    byMonth: [],
    byMonthDay: [],
    byDay: [{ weekday: "TH", ordinal: null }],
    wkst: "MO",
  }) as const;
const datesOf = (event: MadeEvent) =>
  world.context.db
    .select()
    .from(occurrences)
    .where(eq(occurrences.eventId, event.eventId))
    .orderBy(occurrences.startAt);
/** Minutes ahead of each date's start at which the person is reminded of the call. */
async function remindedAhead(event: MadeEvent, ticketId: string): Promise<readonly (readonly number[])[]> {
  const dates = await datesOf(event);
  const rows = await world.context.db
    .select()
    .from(messages)
    .where(
      and(eq(messages.ticketId, ticketId), eq(messages.kind, "call-time-reminder"), eq(messages.state, "planned")),
    );
  return dates.map((date) =>
    rows
      .filter((row) => row.occurrenceId === date.id)
      .map((row) => (date.startAt - row.plannedDueAt) / minuteMs)
      .sort((a, b) => b - a),
  );
}
async function changeCall(event: MadeEvent, callMinutes: number): Promise<void> {
  const { event: row, plan } = await loadPlan(world.context, world.owner, event.eventId);
  await savePlan(world.context, world.owner, event.eventId, row.version, { ...plan, callMinutes }, false);
}

describe("reminders of the call (rule 7)", () => {
  it("go for every date of a series, and follow a changed call time", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world, { shape: "series", rule: weekly(3) as never, callMinutes: 20 });
    const panelist = await addTicket(world, event, "panelist", "On stage");
    await inviteStagePeople(world.context, world.owner, event.eventId, [panelist]);
    expect(await remindedAhead(event, panelist)).toEqual([
      [1440, 30],
      [1440, 30],
      [1440, 30],
    ]);
    await changeCall(event, 45);
    expect((await datesOf(event)).map((date) => date.callMinutes)).toEqual([45, 45, 45]);
    expect((await remindedAhead(event, panelist)).map((one) => one.filter((ahead) => ahead === 55))).toEqual([
      [55],
      [55],
      [55],
    ]);
    expect((await remindedAhead(event, panelist)).flat()).not.toContain(30);
  });

  it("follow it for a single date as well, though its start stays where it was", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const panelist = await addTicket(world, event, "panelist", "On stage");
    await inviteStagePeople(world.context, world.owner, event.eventId, [panelist]);
    await changeCall(event, 60);
    const [ahead] = await remindedAhead(event, panelist);
    expect(ahead).toContain(70);
    expect(ahead).not.toContain(30);
  });

  it("go for dates that a series without end is filled with later", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world, { shape: "series", rule: weekly(null) as never });
    const panelist = await addTicket(world, event, "panelist", "On stage");
    await inviteStagePeople(world.context, world.owner, event.eventId, [panelist]);
    const before = (await datesOf(event)).length;
    world.clock.advance(30 * 24 * 60 * minuteMs);
    expect(await fillSeries(world.context)).toBeGreaterThan(0);
    const dates = await datesOf(event);
    expect(dates.length).toBeGreaterThan(before);
    expect((await remindedAhead(event, panelist)).at(-1)).toEqual([1440, 30]);
  });
});
