import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { overflowGoneAfterMs, type OverflowReach } from "@/core/programme";
import { events, occurrences, organisations, overflowTotals, overflowWatchers, tickets } from "@/server/db/schema";
import { loadFigures } from "@/server/room";
import { funnelOfDate } from "@/server/services/afterwards/funnel";
import { dateReport } from "@/server/services/ground/date-report";
import { OverflowBook } from "@/server/services/hour/overflow-watchers";
import { overflowPage } from "@/server/services/hour/overflow";
import { tokenOf } from "@/server/services/way-in/tickets";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
import { joinAs, makeHub } from "../support/hub";
import { makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let slug: string;
let token: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
  const [event] = await world.context.db.select().from(events).where(eq(events.id, hour.event.eventId));
  slug = event!.slug;
  const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, hour.guests[0]!));
  token = tokenOf(world.context, ticket!);
});
const set = (change: Partial<typeof events.$inferInsert>) =>
  world.context.db.update(events).set(change).where(eq(events.id, hour.event.eventId));
const plan = (overflow: OverflowReach) => set({ overflow });
async function page(proof: { code?: string; tokens?: readonly string[] } = {}) {
  const [organisation] = await world.context.db
    .select()
    .from(organisations)
    .where(eq(organisations.id, world.organisationId));
  return overflowPage(world.context, organisation!, slug, { code: proof.code ?? null, tokens: proof.tokens ?? [] });
}

describe("the overflow page", () => {
  it("is not there where nobody may watch without a seat, whatever link is shown", async () => {
    expect(await codeOf(page())).toBe("not-found");
    expect(await codeOf(page({ tokens: [token] }))).toBe("not-found");
  });
  it("gives anyone the playlist with a pass of this very date while the doors are open", async () => {
    await plan("anyone");
    const found = await page();
    expect(found?.state).toBe("live");
    const [, occurrenceId] = /^\/live\/([0-9a-f-]+)\/$/.exec(found!.media!.base)!;
    const pass = new URLSearchParams(found!.media!.query).get("pass");
    expect(occurrenceId).toBe(hour.event.occurrenceId);
    expect(world.context.secrets.isProgrammePass(pass!, occurrenceId!, world.clock.now())).toBe(true);
    await hour.run({ type: "hour.end" });
    expect(await page()).toMatchObject({ state: "over", media: null });
  });
  it("gives it to holders of a ticket alone where it is for them; a forged or withdrawn link is none", async () => {
    await plan("holders");
    expect(await page()).toMatchObject({ state: "holders-only", media: null });
    expect(await page({ tokens: ["forged"] })).toMatchObject({ state: "holders-only", media: null });
    expect(await page({ tokens: ["forged", token] })).toMatchObject({ state: "live" });
    const other = await openHour(world, ["Oskar Vell"]);
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, other.guests[0]!));
    expect(await page({ tokens: [tokenOf(world.context, ticket!)] })).toMatchObject({ state: "holders-only" });
    await world.context.db.update(tickets).set({ revokedAt: world.clock.now() }).where(eq(tickets.id, hour.guests[0]!));
    expect(await page({ tokens: [token] })).toMatchObject({ state: "holders-only" });
  });
  it("tells nothing of a private event without its code; another event's link opens nothing", async () => {
    await plan("anyone");
    await set({ isPrivate: true, accessCodeSealed: world.context.secrets.seal("tern") });
    expect(await page()).toBeNull();
    expect(await page({ tokens: ["forged"] })).toBeNull();
    expect(await page({ tokens: [token] })).toMatchObject({ state: "live" });
  });
});

async function reportOf() {
  const { context } = world;
  const [event] = await context.db.select().from(events).where(eq(events.id, hour.event.eventId));
  const [date] = await context.db.select().from(occurrences).where(eq(occurrences.id, hour.event.occurrenceId));
  return dateReport(context, event!, date!);
}

describe("who watches without a seat", () => {
  const counted = async () => {
    const { clock, context } = world;
    const from = [clock.now() - 60_000, clock.now() - overflowGoneAfterMs] as const;
    return (await loadFigures(context.db, hour.event.occurrenceId, ...from)).overflow;
  };
  it("is counted once a screen, for as long as it says so, and takes no place among those present", async () => {
    const book = new OverflowBook(world.context);
    const [one, two] = [randomUUID(), randomUUID()];
    const of = hour.event.occurrenceId;
    for (const watcher of [one, two, one]) book.sign(of, watcher);
    expect(await counted()).toBe(0);
    await book.flush();
    expect(await counted()).toBe(2);
    world.clock.advance(60_000);
    book.sign(of, one);
    await book.flush();
    expect(await counted()).toBe(2);
    // two said nothing for 75 s
    world.clock.advance(15_000);
    expect(await counted()).toBe(1);
    world.clock.advance(60_000);
    expect(await counted()).toBe(0);
  });
  it("is in the report when it is over: how many screens, and how many at the same time at most", async () => {
    const { clock, context } = world;
    const of = hour.event.occurrenceId;
    const totals = async () => {
      const [found] = await context.db.select().from(overflowTotals).where(eq(overflowTotals.occurrenceId, of));
      return found && [found.screens, found.mostAtOnce];
    };
    // two processes take signs of one date
    const books = [new OverflowBook(context), new OverflowBook(context)];
    const screens = Array.from({ length: 5 }, () => randomUUID());
    expect(await totals()).toBeUndefined();
    for (const [i, watcher] of screens.slice(0, 3).entries()) books[i % 2]!.sign(of, watcher);
    for (const book of books) await book.flush();
    expect(await totals()).toEqual([3, 3]);
    // three leave, two come: five in all, never more than three at once
    clock.advance(overflowGoneAfterMs);
    for (const watcher of screens.slice(3)) books[0]!.sign(of, watcher);
    await books[0]!.flush();
    expect(await totals()).toEqual([5, 3]);
    // signs of screens that are known add nothing; the screens are forgotten, their number is not
    books[1]!.sign(of, screens[4]!);
    await books[1]!.flush();
    clock.advance(25 * 3_600_000);
    books[0]!.sign(randomUUID(), randomUUID());
    await books[0]!.flush();
    expect(await totals()).toEqual([5, 3]);
    const about = { eventId: hour.event.eventId, occurrenceId: of, startAt: clock.now(), thresholdPercent: 75 };
    const data = await reportOf();
    expect((await funnelOfDate(context.db, about, data)).overflow).toEqual({ screens: 5, mostAtOnce: 3 });
  });
  it("of a date that was deleted meanwhile holds up nobody else's; yesterday's are gone", async () => {
    const book = new OverflowBook(world.context);
    book.sign(hour.event.occurrenceId, randomUUID());
    await book.flush();
    world.clock.advance(25 * 3_600_000);
    book.sign(randomUUID(), randomUUID());
    book.sign(hour.event.occurrenceId, randomUUID());
    await book.flush();
    const rows = await world.context.db
      .select()
      .from(overflowWatchers)
      .where(eq(overflowWatchers.occurrenceId, hour.event.occurrenceId));
    expect(rows.map(({ lastAt }) => lastAt)).toEqual([world.clock.now()]);
  });
  it("reaches the desk, and nobody else", async () => {
    const hub = makeHub(world);
    await hub.listener.listening;
    const book = new OverflowBook(world.context);
    book.sign(hour.event.occurrenceId, randomUUID());
    await book.flush();
    const desk = await joinAs(world, hub, hour.event, hour.producerId, "producer", { wantsDesk: true });
    const guest = await joinAs(world, hub, hour.event, hour.guests[0]!, "attendee");
    await desk.until(({ data }) => JSON.stringify(data).includes('"overflow":{"count":1}'));
    expect(JSON.stringify(guest.heard)).not.toContain("overflow");
    desk.leave();
    guest.leave();
    await hub.close();
  });
});
