import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it, vi } from "vitest";
import { minuteMs } from "@/core/time";
import {
  corrections,
  events,
  occurrences,
  people,
  questions,
  segments,
  serverAway,
  stays,
  tickets,
} from "@/server/db/schema";
import { dateReport } from "@/server/services/ground/date-report";
import { heldLive } from "../support/held";
import { addTicket, makeEvent, makeWorld, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let ticketId: string;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world, { creditPoints: 2 });
  ticketId = await addTicket(world, event, "attendee", "Tarn Holm");
  const { raisedAt, droppedAt } = await heldLive(world, event.occurrenceId);
  await stayed(world, event.occurrenceId, ticketId, { fromAt: raisedAt, toAt: droppedAt });
  world.clock.set(droppedAt + minuteMs);
});
afterAll(() => world.close());

async function report() {
  const { db } = world.context;
  const [own] = await db.select().from(events).where(eq(events.id, event.eventId));
  const [date] = await db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
  return dateReport(world.context, own!, date!);
}
const base = () => ({ organisationId: world.owner.organisationId, occurrenceId: event.occurrenceId });

/** Whatever a report is computed from, changed by the smallest act. */
const changes: Readonly<Record<string, () => Promise<unknown>>> = {
  "somebody stayed for a shorter time": () =>
    world.context.db
      .update(stays)
      .set({ toAt: world.clock.now() - 30 * minuteMs })
      .where(eq(stays.ticketId, ticketId)),
  "somebody came": async () => {
    const other = await addTicket(world, event, "attendee", "Nell Sedge");
    await stayed(world, event.occurrenceId, other, {
      fromAt: world.clock.now() - 20 * minuteMs,
      toAt: world.clock.now(),
    });
  },
  "a place is given up": () =>
    world.context.db.update(tickets).set({ status: "cancelled" }).where(eq(tickets.id, ticketId)),
  "a name is put right": () =>
    world.context.db.update(people).set({ name: "Tarn Holme" }).where(eq(people.name, "Tarn Holm")),
  "a question was asked": () =>
    world.context.db
      .insert(questions)
      .values({ id: randomUUID(), ...base(), askerTicketId: ticketId, text: "When?", askedAt: world.clock.now() }),
  "a line is left out by hand": () =>
    world.context.db.insert(corrections).values({
      ...{ id: randomUUID(), ...base(), kind: "test" as const, personKey: ticketId },
      ...{ actorId: world.owner.userId, at: world.clock.now() },
    }),
  "that is taken back": () => world.context.db.update(corrections).set({ undoneAt: world.clock.now() }),
  "a segment carries the credit": () =>
    world.context.db
      .insert(segments)
      .values({ id: randomUUID(), ...base(), position: 9, title: "Count", lengthMinutes: 5, carriesCredit: true }),
  "the server was away": () =>
    world.context.db
      .insert(serverAway)
      .values({ fromAt: world.clock.now() - 40 * minuteMs, toAt: world.clock.now() - 39 * minuteMs }),
  "the event gives other credit": () =>
    world.context.db.update(events).set({ creditPoints: 3 }).where(eq(events.id, event.eventId)),
  "somebody is gone for good": () => world.context.db.delete(stays).where(eq(stays.ticketId, ticketId)),
};

describe("the report of a date that is over", () => {
  it("is the very same while nothing has changed", async () => {
    const first = await report();
    expect(first.report.came).toBe(1);
    expect(await report()).toBe(first);
  });
  it.each(Object.keys(changes))("is computed anew where %s", async (name) => {
    const before = await report();
    await changes[name]!();
    const after = await report();
    expect(after).not.toBe(before);
    expect(await report()).toBe(after);
  });
  it("is told apart by every table that it is read from", async () => {
    await world.context.db.insert(questions).values({
      ...{ id: randomUUID(), ...base(), askerTicketId: ticketId, text: "Where?", askedAt: world.clock.now() },
    });
    const asked = vi.spyOn((world.context.db as unknown as { $client: { query: () => unknown } }).$client, "query");
    await report();
    const texts = (asked.mock.calls as unknown as [{ text: string } | string][]).map(([one]) =>
      typeof one === "string" ? one : one.text,
    );
    asked.mockRestore();
    const tablesOf = (text: string) => [...text.matchAll(/(?:from|join) "?([a-z_]+)"?/g)].map(([, name]) => name!);
    const sign = texts.find((text) => text.includes("xmin"))!;
    const known = new Set([...tablesOf(sign), "events", "occurrences", "lateral", "both_kinds"]);
    const read = new Set(texts.filter((text) => !text.includes("xmin")).flatMap(tablesOf));
    expect(read.size).toBeGreaterThan(8);
    expect([...read].filter((name) => !known.has(name))).toEqual([]);
  });
});
