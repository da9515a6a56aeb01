import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { events, occurrences } from "@/server/db/schema";
import { createEvent } from "@/server/services/planning/events";
import { deleteEvent, publishEvent } from "@/server/services/planning/event-life";
import { boardLimit, datesBetween, season, seasonList, type SeasonFilter } from "@/server/services/overview/season";
import { binned, producersOf } from "@/server/services/overview/season-side";
import {
  addMember,
  addOrganisation,
  addTicket,
  goodPlan,
  makeEvent,
  makeWorld,
  startOfTime,
  type MadeEvent,
  type World,
} from "../support/world";

let world: World;
let early: MadeEvent;
let late: MadeEvent;
let draft: string;
beforeAll(async () => {
  world = await makeWorld();
  late = await makeEvent(world, { title: "100% tide", startLocal: "2026-12-20T18:00" });
  early = await makeEvent(world, { title: "Saltmarsh walk", startLocal: "2026-11-30T18:00", registrationLimit: 5 });
  draft = (
    await createEvent(world.context, world.owner, goodPlan({ title: "Tide tables", startLocal: "2026-12-05T10:00" }))
  ).eventId;
});
afterAll(() => world.close());

const titles = async (filter: SeasonFilter = {}, member = world.owner) =>
  (await season(world.context, member, filter)).ahead.map((date) => date.title);

describe("the season", () => {
  it("shows what lies ahead, soonest first, with its figures", async () => {
    await addTicket(world, early, "attendee", "Ines Marl");
    const { ahead } = await season(world.context, world.owner);
    expect(ahead.map((date) => date.title)).toEqual(["Saltmarsh walk", "Tide tables", "100% tide"]);
    expect(ahead[0]).toMatchObject({
      registered: 1,
      registrationLimit: 5,
      isPublished: true,
      kind: "show",
      startLocal: "2026-11-30T18:00",
      callAt: Date.parse("2026-11-30T17:40:00Z"),
    });
    expect(ahead[1]).toMatchObject({ registered: 0, isPublished: false, fullChance: null });
    expect(ahead[0]!.missing).toBeGreaterThan(0);
  });

  it("finds words in any order, whatever their accents and case, and dates between two days", async () => {
    const one = await makeEvent(world, { title: "Évening on the Märsh", startLocal: "2027-02-10T18:00" });
    expect(await titles({ words: "marsh evening" })).toEqual(["Évening on the Märsh"]);
    expect(await titles({ words: "MÄRSH  évening" })).toEqual(["Évening on the Märsh"]);
    expect(await titles({ words: "marsh morning" })).toEqual([]);
    const between = { from: Date.parse("2026-12-05T00:00Z"), until: Date.parse("2026-12-21T00:00Z") };
    expect(await titles(between)).toEqual(["Tide tables", "100% tide"]);
    expect(await titles({ until: Date.parse("2026-12-01T00:00Z") })).toEqual(["Saltmarsh walk"]);
    await deleteEvent(world.context, world.owner, one.eventId);
  });

  it("lists what lacks something, page by page, and nothing else", async () => {
    const lacking = await seasonList(world.context, world.owner, { state: "missing" }, 0, 2);
    expect(lacking.dates.every((date) => date.missing > 0)).toBe(true);
    expect([lacking.dates.length, lacking.total]).toEqual([2, 3]);
    expect((await seasonList(world.context, world.owner, { state: "missing" }, 1, 2)).dates).toHaveLength(1);
  });

  it("is narrowed by words, taken as they stand, by state and by producer", async () => {
    expect(await titles({ words: "tide" })).toEqual(["Tide tables", "100% tide"]);
    expect(await titles({ words: " 100% " })).toEqual(["100% tide"]);
    expect(await titles({ words: "_" })).toEqual([]);
    expect(await titles({ words: "%" })).toEqual(["100% tide"]);
    expect(await titles({ state: "draft" })).toEqual(["Tide tables"]);
    expect(await titles({ state: "published" })).toEqual(["Saltmarsh walk", "100% tide"]);
    expect(await titles({ state: "live" })).toEqual([]);
    await world.context.db.update(occurrences).set({ phase: "open" }).where(eq(occurrences.id, early.occurrenceId));
    expect(await titles({ state: "live" })).toEqual(["Saltmarsh walk"]);
    await world.context.db
      .update(occurrences)
      .set({ phase: "scheduled" })
      .where(eq(occurrences.id, early.occurrenceId));
    expect(await titles({ producerId: world.owner.personId })).toHaveLength(3);
    expect(await titles({ producerId: world.organisationId })).toEqual([]);
    expect((await producersOf(world.context, world.owner)).map((one) => one.name)).toEqual(["Marit Corrant"]);
  });

  it("shows a member the events on whose list they are, an owner all, a stranger none", async () => {
    const crew = await addMember(world.context, world.organisationId, "crew", "Oskar Vell");
    expect(await titles({}, crew)).toEqual([]);
    const seat = await addTicket(world, late, "crew", "Oskar Vell", ["questions"]);
    await world.context.db.execute(`update tickets set person_id = '${crew.personId}' where id = '${seat}'`);
    expect(await titles({}, crew)).toEqual(["100% tide"]);
    expect((await seasonList(world.context, crew, {}, 0)).total).toBe(1);
    const elsewhere = await addMember(
      world.context,
      await addOrganisation(world.context, "elsewhere.example.org"),
      "owner",
      "Una Other",
    );
    expect(await titles({}, elsewhere)).toEqual([]);
  });

  it("lists everything page by page: what lies ahead, soonest first, then what is over", async () => {
    const first = await seasonList(world.context, world.owner, {}, 0, 2);
    const second = await seasonList(world.context, world.owner, {}, 1, 2);
    expect([first.total, first.dates.map((one) => one.title), second.dates.map((one) => one.title)]).toEqual([
      3,
      ["Saltmarsh walk", "Tide tables"],
      ["100% tide"],
    ]);
    expect((await seasonList(world.context, world.owner, {}, 9, 2)).dates).toEqual([]);
    expect(
      await datesBetween(world.context, world.owner, Date.parse("2026-12-01T00:00Z"), Date.parse("2026-12-31T00:00Z")),
    ).toHaveLength(2);
  });

  it("finds those that lack something behind a full board of others", async () => {
    const own = await makeWorld();
    try {
      for (let i = 0; i <= boardLimit + 4; i += 1)
        await createEvent(
          own.context,
          own.owner,
          goodPlan({ title: `Count ${i}`, startLocal: `2026-12-01T10:${String(i).padStart(2, "0")}`, houseSize: 10 }),
        );
      const board = await season(own.context, own.owner, {});
      expect([board.ahead.length, board.hasMore]).toEqual([boardLimit, true]);
      // nothing is looked for beyond what is shown, unless it is asked for
      const missing = await season(own.context, own.owner, { state: "missing" });
      expect([missing.ahead.length, missing.hasMore]).toEqual([boardLimit, true]);
      expect(missing.ahead.every((date) => date.missing > 0)).toBe(true);
    } finally {
      await own.close();
    }
  });

  it("puts what is over behind, and what was deleted into the bin for a week", async () => {
    world.clock.set(Date.parse("2026-12-02T09:00:00Z"));
    await world.context.db.update(occurrences).set({ phase: "ended" }).where(eq(occurrences.id, early.occurrenceId));
    const after = await season(world.context, world.owner);
    expect((await seasonList(world.context, world.owner, {}, 0)).dates.map((one) => one.title)).toEqual([
      "Tide tables",
      "100% tide",
      "Saltmarsh walk",
    ]);
    expect([after.ahead.map((one) => one.title), after.past.map((one) => one.title)]).toEqual([
      ["Tide tables", "100% tide"],
      ["Saltmarsh walk"],
    ]);
    await deleteEvent(world.context, world.owner, draft);
    expect(await titles()).toEqual(["100% tide"]);
    expect(await binned(world.context, world.owner)).toMatchObject([{ eventId: draft, title: "Tide tables" }]);
    world.clock.advance(8 * dayMs);
    expect(await binned(world.context, world.owner)).toEqual([]);
    world.clock.set(startOfTime);
  });

  it("keeps rooms without fixed time apart while they are closed", async () => {
    const { eventId } = await createEvent(
      world.context,
      world.owner,
      goodPlan({ title: "The hide", shape: "standing" }),
    );
    await publishEvent(world.context, world.owner, eventId, true);
    const { standing } = await season(world.context, world.owner);
    expect(standing).toMatchObject([{ eventId, title: "The hide" }]);
    expect((await season(world.context, world.owner, { words: "100%" })).standing).toEqual([]);
    const [row] = await world.context.db.select().from(events).where(eq(events.id, eventId));
    expect(standing[0]!.roomCode).toBe(row!.roomCode);
  });
});
