import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { seatsLetInUnderLock } from "@/core/seats";
import { admissions, stays, tickets } from "@/server/db/schema";
import { Entrance, type Comer, type RoomAtTheDoor } from "@/server/services/hour/entrance";
import type { HolderClaim } from "@/server/services/hour/holders";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const tokenOf = (ticketId: string, version = 1) => world.context.secrets.tokenFor(ticketId, version);
const claimOf = (event: MadeEvent, ticketId: string, more: Partial<HolderClaim> = {}): HolderClaim => ({
  token: tokenOf(ticketId),
  proof: null,
  ticketId,
  occurrenceId: event.occurrenceId,
  ...more,
});
const comerOf = (event: MadeEvent, ticketId: string, room: RoomAtTheDoor | null = null): Comer => ({
  organisationId: world.organisationId,
  occurrenceId: event.occurrenceId,
  ticketId,
  role: "attendee",
  device: "computer",
  room,
});
async function letIn(event: MadeEvent, ticketIds: readonly string[]): Promise<void> {
  const { organisationId } = world;
  const { occurrenceId } = event;
  const admittedAt = world.clock.now();
  await world.context.db
    .insert(admissions)
    .values(ticketIds.map((ticketId) => ({ occurrenceId, organisationId, ticketId, admittedAt })));
}
const attendees = (event: MadeEvent, n: number) =>
  Promise.all(Array.from({ length: n }, (_, i) => addTicket(world, event, "attendee", `Guest ${i}`)));
const codeOf = (one: PromiseSettledResult<unknown>) =>
  one.status === "fulfilled" ? "in" : (one.reason as { failure: { code: string } }).failure.code;

describe("who comes together", () => {
  it("each is judged by their own token: forged, old, revoked and other rooms' are refused alike, the others come in", async () => {
    const [event, other] = [await makeEvent(world), await makeEvent(world)];
    const [fine, revoked, old, waiting] = (await attendees(event, 4)) as [string, string, string, string];
    const panelist = await addTicket(world, event, "panelist", "Pia Dunlin");
    const { db } = world.context;
    await db.update(tickets).set({ revokedAt: world.clock.now() }).where(eq(tickets.id, revoked));
    await db.update(tickets).set({ linkVersion: 2 }).where(eq(tickets.id, old));
    await db.update(tickets).set({ status: "waiting" }).where(eq(tickets.id, waiting));
    const entrance = new Entrance(world.context);
    const claims = [
      claimOf(event, fine),
      claimOf(event, fine, { token: tokenOf(revoked) }),
      claimOf(event, fine, { token: "forged" }),
      claimOf(event, revoked),
      claimOf(event, old),
      claimOf(event, old, { token: tokenOf(old, 2) }),
      claimOf(event, waiting),
      claimOf(other, fine),
      claimOf(event, "no-id-at-all"),
      claimOf(event, panelist),
    ];
    const all = await Promise.allSettled(claims.map((one) => entrance.holder(one)));
    const no = "not-found";
    expect(all.map(codeOf)).toEqual(["in", no, no, no, no, "in", "wrong-state", no, no, "in"]);
    expect(all[9]).toMatchObject({ value: { actorId: panelist, actor: { role: "panelist" } } });
  });

  it("who was let in before comes straight back, the others wait in the foyer, each with a stay of their own", async () => {
    const event = await makeEvent(world);
    const [known, stranger] = (await attendees(event, 2)) as [string, string];
    await letIn(event, [known]);
    const entrance = new Entrance(world.context);
    const opened = await Promise.all([known, stranger, known].map((id) => entrance.open(comerOf(event, id))));
    expect(opened.map((one) => one.isInside)).toEqual([true, false, true]);
    const rows = await world.context.db.select().from(stays).where(eq(stays.occurrenceId, event.occurrenceId));
    expect(new Set(rows.map((row) => row.connectionId))).toEqual(new Set(opened.map((one) => one.connectionId)));
    expect(rows.map((row) => row.place).sort()).toEqual(["foyer", "house", "house"]);
  });

  it("a crowd that comes back at one instant never takes more seats than there are", async () => {
    const houseSize = seatsLetInUnderLock + 3;
    const event = await makeEvent(world, { houseSize });
    const all = await attendees(event, 10);
    await letIn(event, all);
    const entrance = new Entrance(world.context);
    const opened = await Promise.all(all.map((id) => entrance.open(comerOf(event, id))));
    expect(opened.filter((one) => one.isInside)).toHaveLength(3);
    // by memory the same: each is told how many come in before them
    const told: number[] = [];
    const room: RoomAtTheDoor = {
      hasRoomFor: (_, before) => {
        told.push(before);
        return before < 4;
      },
      stagePlaceOf: () => "ask",
    };
    const later = await Promise.all(all.slice(3).map((id) => entrance.open(comerOf(event, id, room))));
    expect(told).toEqual([0, 1, 2, 3, 4, 5, 6]);
    expect(later.filter((one) => one.isInside)).toHaveLength(4);
  });

  it("somebody of the stage comes back to where they stood", async () => {
    const event = await makeEvent(world);
    const panelist = await addTicket(world, event, "panelist", "Pia Dunlin");
    const room: RoomAtTheDoor = { hasRoomFor: () => true, stagePlaceOf: () => "stage" };
    const entrance = new Entrance(world.context);
    const comer: Comer = { ...comerOf(event, panelist, room), role: "panelist" };
    await entrance.open(comer);
    await entrance.open({ ...comer, room: null });
    const rows = await world.context.db.select().from(stays).where(eq(stays.ticketId, panelist));
    expect(rows.map((row) => row.place).sort()).toEqual(["backstage", "stage"]);
  });
});
