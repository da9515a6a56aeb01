import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dayMs } from "@/core/time";
import { events, people, tickets, visitKeys, visits } from "@/server/db/schema";
import { Registrar } from "@/server/services/way-in/registrar";
import { countVisits, firstTags, visitDay } from "@/server/services/way-in/visits";
import { makeEvent, makeWorld, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

describe("visits to a public page (rule 29)", () => {
  it("count once a visitor and day, keep the day's first tag, and can be followed into no other day", async () => {
    const made = await makeEvent(world);
    const [event] = await world.context.db.select().from(events).where(eq(events.id, made.eventId));
    const visit = (remote: string, via = "") => ({
      slug: event!.slug,
      host: "stage.example.org",
      remote,
      agent: "A browser",
      via,
    });
    const own = () => world.context.db.select().from(visits).where(eq(visits.eventId, made.eventId));
    await countVisits(world.context, [visit("10.0.0.1", "poster"), visit("10.0.0.1"), visit("10.0.0.2")]);
    await countVisits(world.context, [visit("10.0.0.1", "mail"), { ...visit("10.0.0.3"), slug: "no-such-page" }]);
    const first = await own();
    expect(first.map((row) => row.via).toSorted()).toEqual(["", "poster"]);
    expect(JSON.stringify(first)).not.toContain("10.0.0");
    world.clock.advance(dayMs);
    await countVisits(world.context, [visit("10.0.0.1")]);
    const all = await own();
    expect(all).toHaveLength(3);
    expect(new Set(all.map((row) => row.visitor)).size).toBe(3);
    // yesterday's key is gone
    expect(await world.context.db.select({ day: visitKeys.day }).from(visitKeys)).toEqual([
      { day: visitDay(world.clock.now()) },
    ]);
    world.clock.advance(-dayMs);
  });

  it("tell whose tag a registration bears: the day's first visit's, whichever process counted it, else the page's", async () => {
    const made = await makeEvent(world);
    const [event] = await world.context.db.select().from(events).where(eq(events.id, made.eventId));
    const { slug } = event!;
    const browser = { slug, host: "127.0.0.1", agent: "A browser" };
    await countVisits(world.context, [
      { ...browser, remote: "10.1.0.1", via: "poster" },
      { ...browser, remote: "10.1.0.1", via: "letter" },
      { ...browser, remote: "10.1.0.2", via: "" },
    ]);
    const registrar = new Registrar(world.context);
    const register = (name: string, remote: string, source: string | null) =>
      registrar.register({
        ...browser,
        remote,
        passCookie: null,
        invitedBy: null,
        dateId: null,
        input: {
          name,
          email: `${name}@example.org`,
          zone: null,
          hasConsented: true,
          source,
          locale: "en",
          answers: {},
        },
      });
    await Promise.all([
      register("first", "10.1.0.1", "letter"),
      register("second", "10.1.0.2", "board"),
      register("third", "10.1.0.3", "mail"),
      register("fourth", "10.1.0.4", null),
    ]);
    const kept = await world.context.db
      .select({ name: people.name, source: tickets.source })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(tickets.eventId, made.eventId));
    expect(Object.fromEntries(kept.map(({ name, source }) => [name, source]))).toMatchObject({
      first: "poster",
      second: "board",
      third: "mail",
      fourth: null,
    });
    // tomorrow the same browser is a stranger
    world.clock.advance(dayMs);
    const comer = { eventId: made.eventId, remote: "10.1.0.1", agent: "A browser" };
    expect(await firstTags(world.context, [comer])).toEqual([null]);
    world.clock.advance(-dayMs);
  });
});
