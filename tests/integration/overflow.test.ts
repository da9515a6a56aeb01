import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import type { OverflowReach } from "@/core/programme";
import { events, organisations, tickets } from "@/server/db/schema";
import { overflowPage } from "@/server/services/hour/overflow";
import { tokenOf } from "@/server/services/way-in/tickets";
import { codeOf } from "../support/code-of";
import { openHour, type Hour } from "../support/hour";
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
