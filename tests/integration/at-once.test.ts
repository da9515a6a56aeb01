import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { and, eq } from "drizzle-orm";
import type { CommandBody } from "@/contracts";
import { auditLog, roomOutbox } from "@/server/db/schema";
import { execute, executeWhole, roomOf } from "@/server/services/ground/room/commands";
import { drainOutbox } from "@/server/services/ground/room/outbox";
import { openHour, type Hour } from "../support/hour";
import { addTicket, makeWorld, type World } from "../support/world";

let world: World;
let hour: Hour;
let [crewId, guestId] = ["", ""];
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  hour = await openHour(world, ["Ines Marl"]);
  guestId = hour.guests[0]!;
  crewId = await addTicket(world, hour.event, "crew", "Nuno Fenmoor");
});

/** What became of two commands that two people of the team gave in the same instant. */
async function both(first: CommandBody, second: CommandBody): Promise<string[]> {
  const give = (actorId: string, role: "producer" | "crew", command: CommandBody) => {
    const actor = { role, duties: role === "crew" ? (["people", "doors-and-curtain"] as const) : [] };
    const who = { actorId, actor: { ...actor, duties: [...actor.duties] }, occurrenceId: hour.event.occurrenceId };
    return executeWhole(world.context, world.cache, who, { commandId: randomUUID(), command }).then(
      () => "done",
      (error: { failure?: { code: string } }) => error.failure?.code ?? String(error),
    );
  };
  return (await Promise.all([give(hour.producerId, "producer", first), give(crewId, "crew", second)])).sort();
}
const room = () => roomOf(world.context.db, hour.event.occurrenceId);

describe("two of the team act on one person in the same instant", () => {
  it("one floor is offered, one person shown out, one row of each stands", async () => {
    const offer = {
      type: "floor.offer",
      ticketId: guestId,
      parts: ["sound"] as ("sound" | "picture" | "screen")[],
    } as const;
    expect(await both(offer, offer)).toEqual(["already-done", "done"]);
    expect((await room()).floor.holders.size).toBe(1);
    const out = { type: "hour.show-out", ticketId: guestId } as const;
    expect(await both(out, out)).toEqual(["already-done", "done"]);
    expect((await room()).hour.barred.size).toBe(1);
  });
  it("whoever gives the floor to somebody who is shown out finds them gone, or they go with it: never both", async () => {
    const answers = await both(
      { type: "floor.offer", ticketId: guestId, parts: ["sound"] },
      { type: "hour.show-out", ticketId: guestId },
    );
    expect([
      ["done", "done"],
      ["done", "not-found"],
    ]).toContainEqual(answers);
    const { floor, hour: now } = await room();
    expect([floor.holders.size, now.barred.has(guestId)]).toEqual([0, true]);
  });
  it("of two who raise the curtain on the same picture one does", async () => {
    const raise = { type: "hour.raise-curtain", moves: 0 } as const;
    expect(await both(raise, raise)).toEqual(["already-done", "done"]);
  });
});

describe("a server killed between a command and its outbox", () => {
  it("loses nothing: the next pass of any process carries each act out, once", async () => {
    const { db } = world.context;
    const { occurrenceId } = hour.event;
    const who = { actorId: hour.producerId, actor: { role: "producer" as const, duties: [] }, occurrenceId };
    // the command is committed; the process dies before it looks into the outbox
    const executed = await execute(world.context, world.cache, who, {
      commandId: randomUUID(),
      command: { type: "hour.hold-doors" },
    });
    expect(executed.hasOutward).toBe(true);
    const ofRoom = eq(roomOutbox.roomId, executed.roomId);
    const held = and(eq(auditLog.occurrenceId, occurrenceId), eq(auditLog.action, "hour.doors-held"));
    expect([await db.$count(roomOutbox, ofRoom), await db.$count(auditLog, held)]).toEqual([1, 0]);
    // what lies there for less than ten seconds may still be somebody's
    await drainOutbox(world.context);
    expect(await db.$count(auditLog, held)).toBe(0);
    world.clock.advance(10_001);
    await Promise.all([drainOutbox(world.context), drainOutbox(world.context)]);
    expect([await db.$count(roomOutbox, ofRoom), await db.$count(auditLog, held)]).toEqual([0, 1]);
  });
});
