import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { and, eq, isNull, sql } from "drizzle-orm";
import { stays } from "@/server/db/schema";
import { holdersOfTokens } from "@/server/services/hour/holders";
import { closeConnections, openConnections, SignBook } from "@/server/services/hour/presence";
import type { CrowdMember } from "@/stand-ins/crowd";
import { makeBusyDate, type BusyDate } from "../support/busy-date";
import { rowsConsidered } from "../support/rows-considered";
import { makeWorld, type World } from "../support/world";

const houseSize = 1500;
let world: World;
let date: BusyDate;
let connectionIds: readonly string[];
const openNow = () => world.context.db.$count(stays, sql`to_at is null`);

const comer = ({ ticketId }: { readonly ticketId: string }, mayReturn: boolean | "ask") => ({
  organisationId: world.organisationId,
  occurrenceId: date.producer.occurrenceId,
  ticketId,
  role: "attendee" as const,
  device: "computer",
  mayReturn,
  stagePlace: "ask" as const,
});
const claim = ({ token, ticketId, occurrenceId }: CrowdMember) => ({ token, proof: null, ticketId, occurrenceId });
const sign = async (ids: readonly string[]) => {
  const book = new SignBook(world.context);
  for (const id of ids) book.sign(id);
  await book.flush();
};

// A house as it is planned for by a database that has seen few tickets, and nobody anywhere when it last counted
beforeAll(async () => {
  world = await makeWorld();
  // one plan for all calls, as the database comes to after some of them
  await world.context.db.execute(sql`set plan_cache_mode = force_generic_plan`);
  const small = await makeBusyDate(world.context, 3, { areAdmitted: true });
  await holdersOfTokens(world.context, small.attendees.map(claim));
  date = await makeBusyDate(world.context, houseSize, { areAdmitted: true });
  const opened = await openConnections(
    world.context,
    date.attendees.map((one) => comer(one, true)),
  );
  connectionIds = opened.map((one) => one.connectionId);
  await world.context.db.update(stays).set({ toAt: world.clock.now() });
  await world.context.db.execute(sql`analyze stays`);
  await sign(connectionIds.slice(0, 3));
  await openConnections(world.context, [comer(date.attendees[0]!, "ask")]);
  await world.context.db.update(stays).set({ toAt: null, place: "house" });
});
afterAll(() => world.close());

// Each of so many asks takes up a few rows of their own, on a few steps, and perhaps the house once. Where all of a
// house is walked through for each of them it is three hundred thousand.
const asking = 200;
const most = 5 * houseSize + 15 * asking;

describe("what a full house asks of a database that planned for an empty one", () => {
  it("signs of life find their own stays", async () => {
    world.clock.advance(10_000);
    expect(await rowsConsidered(world, {}, () => sign(connectionIds.slice(0, asking)))).toBeLessThan(most);
    const signed = await world.context.db.$count(stays, eq(stays.lastSignAt, world.clock.now()));
    expect([signed, await openNow()]).toEqual([asking, houseSize + 1]);
  });

  it("whoever comes back where seats are short finds their other device and the seats that are taken", async () => {
    const comers = date.attendees.slice(0, asking).map((one) => comer(one, "ask"));
    const coming = () => openConnections(world.context, comers);
    expect(await rowsConsidered(world, { inside: [] }, coming)).toBeLessThan(most);
    const inside = await world.context.db.$count(stays, and(isNull(stays.toAt), eq(stays.place, "house")));
    expect(inside).toBe(houseSize + 1 + asking);
  });

  it("whose links they are is found by the tickets, not by all that an event has", async () => {
    const asked = () => holdersOfTokens(world.context, date.attendees.slice(0, asking).map(claim));
    expect((await asked()).every((one) => one.ok)).toBe(true);
    expect(await rowsConsidered(world, { holders: [] }, asked)).toBeLessThan(most);
  });

  it("who says goodbye closes their own stays", async () => {
    const before = await openNow();
    const going = () => closeConnections(world.context, connectionIds.slice(0, asking));
    expect(await rowsConsidered(world, {}, going)).toBeLessThan(most);
    expect(await openNow()).toBe(before - asking);
  });
});
