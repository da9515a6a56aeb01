import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { and, eq, sql } from "drizzle-orm";
import { datePlaces, messages, occurrences, tickets } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { planMessages } from "@/server/services/ground/mail-plan";
import { datesOf } from "@/server/services/planning/dates/load";
import { placesTaken } from "@/server/services/planning/places";
import { register } from "@/server/services/way-in/registration";
import { cancelRegistration, comeBack } from "@/server/services/way-in/registration-changes";
import { holderById } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const counted = (occurrenceId: string) =>
  world.context.db.$count(
    tickets,
    and(eq(tickets.occurrenceId, occurrenceId), eq(tickets.role, "attendee"), eq(tickets.status, "registered")),
  );
async function signUp(event: MadeEvent, email: string): Promise<void> {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  const occurrence = (await datesOf(world.context.db, event.eventId))[0]!;
  const input = { name: "Ines Marl", email, zone: null, hasConsented: true, source: null, answers: {} };
  await register(world.context, { event: row, occurrence }, input, email);
}
const statusesOf = async (event: MadeEvent) =>
  (await world.context.db.select().from(tickets).where(eq(tickets.occurrenceId, event.occurrenceId))).map(
    (ticket) => ticket.status,
  );
const howMany = (list: readonly string[], what: string) => list.filter((one) => one === what).length;

describe("the counter of places", () => {
  it("is what counting the list gives, after every kind of change, over several dates at once", async () => {
    const events = [await makeEvent(world), await makeEvent(world)];
    const all: string[] = [];
    for (const event of events) {
      for (let i = 0; i < 6; i += 1)
        all.push(await addTicket(world, event, i === 5 ? "test-guest" : "attendee", `P${i}`));
    }
    const { db } = world.context;
    const agrees = async () => {
      for (const { occurrenceId } of events)
        expect(await placesTaken(db, occurrenceId)).toBe(await counted(occurrenceId));
    };
    await agrees();
    const ids = sql.param(all);
    // every second one of both dates in one statement, some to what they are already
    await db.execute(
      sql`update tickets set status = 'waiting' where id = any(${ids}::uuid[]) and left(id::text, 1) < '8'`,
    );
    await agrees();
    await db.execute(
      sql`update tickets set status = case when status = 'waiting' then 'registered' else 'cancelled' end where id = any(${ids}::uuid[])`,
    );
    await agrees();
    await db.update(tickets).set({ source: "poster" }).where(eq(tickets.occurrenceId, events[0]!.occurrenceId));
    await agrees();
    // somebody moves to the other date
    await db
      .update(tickets)
      .set({ occurrenceId: events[1]!.occurrenceId, eventId: events[1]!.eventId })
      .where(eq(tickets.id, all[0]!));
    await agrees();
    await db.delete(tickets).where(eq(tickets.id, all[7]!));
    await agrees();
    // a date goes with its tickets and its counter
    await db.delete(tickets).where(eq(tickets.occurrenceId, events[1]!.occurrenceId));
    await agrees();
    await db.delete(occurrences).where(eq(occurrences.id, events[1]!.occurrenceId));
    expect(await db.$count(datePlaces, eq(datePlaces.occurrenceId, events[1]!.occurrenceId))).toBe(0);
  });

  it("gives no place twice: 40 at the same moment for 10, the others wait, and each has one mail", async () => {
    const event = await makeEvent(world, { registrationLimit: 10 });
    await Promise.all(Array.from({ length: 40 }, (_, i) => signUp(event, `rush${i}@example.org`)));
    const statuses = await statusesOf(event);
    expect([howMany(statuses, "registered"), howMany(statuses, "waiting")]).toEqual([10, 30]);
    const mails = await world.context.db.select().from(messages).where(eq(messages.eventId, event.eventId));
    expect(
      howMany(
        mails.map((mail) => mail.kind),
        "confirmation",
      ),
    ).toBe(10);
    expect(
      howMany(
        mails.map((mail) => mail.kind),
        "waiting-list",
      ),
    ).toBe(30);
  });

  it("stays exact while some give their place back and others come: nobody is over the limit, nobody is forgotten", async () => {
    const event = await makeEvent(world, { registrationLimit: 5 });
    for (let i = 0; i < 8; i += 1) await signUp(event, `first${i}@example.org`);
    const own = await world.context.db.select().from(tickets).where(eq(tickets.occurrenceId, event.occurrenceId));
    const leaving = own.filter((ticket) => ticket.status === "registered").slice(0, 3);
    await Promise.all([
      ...leaving.map(async (ticket) => cancelRegistration(world.context, await holderById(world.context, ticket.id))),
      ...Array.from({ length: 6 }, (_, i) => signUp(event, `second${i}@example.org`)),
    ]);
    const statuses = await statusesOf(event);
    expect(howMany(statuses, "registered")).toBe(5);
    expect(howMany(statuses, "waiting")).toBe(8 + 6 - 3 - 5);
    expect(await placesTaken(world.context.db, event.occurrenceId)).toBe(5);
    // whoever comes back stands at the end of the line
    const back = await holderById(world.context, leaving[0]!.id);
    await comeBack(world.context, back);
    expect((await holderById(world.context, leaving[0]!.id)).ticket.status).toBe("waiting");
  });
});

describe("planned mails", () => {
  it("are put down many in a statement, once each, with every field as asked", async () => {
    const event = await makeEvent(world);
    const ticketId = await addTicket(world, event, "attendee", "Ines Marl");
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const about = {
      organisationId: world.organisationId,
      eventId: event.eventId,
      occurrenceId: event.occurrenceId,
      personId: ticket!.personId,
    };
    const questionId = randomUUID();
    const dueAt = world.clock.now() + 60_000;
    const wanted = [
      { ...about, ticketId, kind: "confirmation" as const, dueAt },
      { ...about, ticketId, kind: "answer" as const, questionId, dueAt: dueAt + 1 },
      ...Array.from({ length: 600 }, (_, i) => ({
        ...about,
        ticketId: null,
        kind: "reminder" as const,
        dueAt: dueAt + 2 + i,
      })),
    ];
    expect(await planMessages(world.context, world.context.db, wanted)).toBe(602);
    expect(await planMessages(world.context, world.context.db, wanted.slice(2, 4))).toBe(0);
    const rows = await world.context.db
      .select()
      .from(messages)
      .where(eq(messages.eventId, event.eventId))
      .orderBy(messages.dueAt);
    expect(rows).toHaveLength(602);
    expect(rows[0]).toMatchObject({
      ...about,
      ticketId,
      kind: "confirmation",
      dueAt,
      plannedDueAt: dueAt,
      state: "planned",
      attempts: 0,
    });
    expect(rows[1]).toMatchObject({ kind: "answer", questionId, mailingId: null });
    expect(rows[2]).toMatchObject({ ticketId: null, dueAt: dueAt + 2, createdAt: world.clock.now() });
    // RFC 5322 §3.6.4: one id a message, its own for ever
    expect(new Set(rows.map((row) => row.messageId)).size).toBe(602);
    for (const row of rows) expect(row.messageId).toBe(`<${row.id}@stage.example.org>`);
  });
});
