import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { messages, people, tickets } from "@/server/db/schema";
import { findLate, letLateIn } from "@/server/services/hour/late-people";
import { saveContact } from "@/server/services/people/contacts/book";
import { addRehearsal } from "@/server/services/planning/dates/rehearsals";
import { holderOf } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
const contact = (name: string, email: string) =>
  saveContact(world.context, world.owner, null, {
    name,
    email,
    company: "",
    phone: "",
    locale: "en",
    zone: null,
    note: "",
    tags: [],
    groups: [],
  });
const find = (words: string) => findLate(world.context, world.owner, event.eventId, event.occurrenceId, words);
const letIn = (input: unknown) => letLateIn(world.context, world.owner, event.eventId, event.occurrenceId, input);
const mails = (ticketId: string, kind: "confirmation" | "stage-invitation") =>
  world.context.db.$count(messages, and(eq(messages.ticketId, ticketId), eq(messages.kind, kind)));

beforeAll(async () => {
  world = await makeWorld();
  world.clock.set(Date.parse("2026-11-26T18:10:00Z"));
  event = await makeEvent(world, { registrationLimit: 1 });
});
afterAll(() => world.close());

describe("somebody is late", () => {
  it("is found by two letters: who has a ticket first, then contacts, nobody of another house", async () => {
    const panelist = await addTicket(world, event, "panelist", "Lenka Storm");
    await contact("Lenka Brae", "lenka.brae@example.org");
    const found = await find("lenk");
    expect(found.map(({ name, role, ticketId }) => [name, role, ticketId !== null])).toEqual([
      ["Lenka Storm", "panelist", true],
      ["Lenka Brae", null, false],
    ]);
    expect(found[0]!.ticketId).toBe(panelist);
    expect(await find("l")).toEqual([]);
    expect(await find("%%")).toEqual([]);
  });

  it("gets their own mail again, with a link that opens, and what can be read out beside it", async () => {
    const guest = await addTicket(world, event, "attendee", "Ines Marl");
    const sent = await letIn({ ticketId: guest });
    expect(sent).toMatchObject({ name: "Ines Marl", isNew: false });
    expect(await mails(guest, "confirmation")).toBe(1);
    const token = /\/enter\/(\S+)/.exec(sent.details!)![1]!;
    expect((await holderOf(world.context, token)).ticket.id).toBe(guest);
    const [panelist] = (await find("Lenka Storm")).map((one) => one.ticketId!);
    await letIn({ ticketId: panelist });
    expect(await mails(panelist!, "stage-invitation")).toBe(1);
  });

  it("gets a ticket where they have none, over a full list too, and one alone however often it is pressed", async () => {
    const input = { name: "Bo Skerry", email: "Bo.Skerry@example.org" };
    const first = await letIn(input);
    expect(first).toMatchObject({ isNew: true, email: "bo.skerry@example.org" });
    world.clock.advance(1000);
    expect(await letIn(input)).toMatchObject({ isNew: false });
    const own = await world.context.db
      .select()
      .from(tickets)
      .where(and(eq(tickets.eventId, event.eventId), eq(tickets.source, "desk")));
    expect(own.map(({ status, role }) => [status, role])).toEqual([["registered", "attendee"]]);
    expect(await mails(own[0]!.id, "confirmation")).toBe(2);
  });

  it("gets one mail with a new ticket, also when the clock moves on meanwhile", async () => {
    const now = world.clock.now;
    let ticks = now();
    Object.assign(world.context, { clock: { now: () => (ticks += 7) } });
    const sent = await letIn({ name: "Una Dunlin", email: "una.dunlin@example.org" });
    Object.assign(world.context, { clock: world.clock });
    expect(sent.isNew).toBe(true);
    const [ticket] = await world.context.db
      .select({ id: tickets.id })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(people.email, "una.dunlin@example.org"));
    expect(await mails(ticket!.id, "confirmation")).toBe(1);
  });

  it("is refused with a ticket of another date, or one that waits for its place", async () => {
    const waiting = await addTicket(world, event, "attendee", "Waits");
    await world.context.db.update(tickets).set({ status: "waiting" }).where(eq(tickets.id, waiting));
    await expect(letIn({ ticketId: waiting })).rejects.toMatchObject({ failure: { code: "not-found" } });
    const rehearsalId = await addRehearsal(world.context, world.owner, event.eventId, {
      startLocal: "2026-11-27T17:00",
      durationMinutes: 30,
    });
    const elsewhere = await addTicket(world, { ...event, occurrenceId: rehearsalId }, "attendee", "Other date");
    await expect(letIn({ ticketId: elsewhere })).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("is refused with another event's ticket or an address that is none", async () => {
    const other = await makeEvent(world);
    const theirs = await addTicket(world, other, "attendee", "Elsewhere");
    await expect(letIn({ ticketId: theirs })).rejects.toMatchObject({ failure: { code: "not-found" } });
    await expect(letIn({ name: "x", email: "a@@b..c" })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
  });
});
