import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { messages, occurrences, people, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { deleteEvent } from "@/server/services/planning/event-life";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { datesOf } from "@/server/services/planning/dates/load";
import {
  cancelFor,
  correctAddress,
  keepNote,
  moveToDate,
  replaceLink,
  sendLinkAgain,
} from "@/server/services/way-in/registrant-acts";
import { weekly } from "../support/weekly";
import { addTicket, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let ticketId: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(startOfTime);
  event = await makeEvent(world, { registrationLimit: 1 });
  ticketId = await addTicket(world, event, "attendee", "Lost The Link");
  world.sent.splice(0);
});

const ticket = async (id = ticketId) => (await world.context.db.select().from(tickets).where(eq(tickets.id, id)))[0]!;
const email = async () =>
  (
    await world.context.db
      .select()
      .from(people)
      .where(eq(people.id, (await ticket()).personId))
  )[0]!.email!;
const opens = (token: string) =>
  holderOf(world.context, token).then(
    () => true,
    () => false,
  );
const linkIn = (text: string): string => /\/ticket\/([\w-]+)/.exec(text)![1]!;

describe("what is done for somebody who registered", () => {
  it("sends their link again, as often as it is asked for", async () => {
    await sendLinkAgain(world.context, world.owner, event.eventId, ticketId);
    world.clock.advance(1000);
    await sendLinkAgain(world.context, world.owner, event.eventId, ticketId);
    await sendDue(world.context);
    const mails = world.sent.filter((mail) => mail.subject.startsWith("Your ticket"));
    expect(mails).toHaveLength(2);
    expect(await opens(linkIn(mails[0]!.text))).toBe(true);
  });

  it("replaces a link that got into wrong hands: the old one is dead at once, the new one comes by mail", async () => {
    const old = tokenOf(world.context, await ticket());
    await replaceLink(world.context, world.owner, event.eventId, ticketId);
    await sendDue(world.context);
    expect([await opens(old), await opens(linkIn(world.sent.at(-1)!.text))]).toEqual([false, true]);
  });

  it("puts them on another date: same link, the same calendar entry, the place of the old one free again", async () => {
    const series = await makeEvent(world, {
      shape: "series",
      rule: weekly(3),
      startLocal: "2027-03-04T18:00",
      registrationLimit: 1,
    });
    const dates = await datesOf(world.context.db, series.eventId);
    const on = { eventId: series.eventId, occurrenceId: dates[0]!.id };
    const id = await addTicket(world, on, "attendee", "Moves Over");
    const next = await addTicket(world, on, "attendee", "Waits Here");
    await world.context.db
      .update(tickets)
      .set({ status: "waiting", waitingSince: startOfTime })
      .where(eq(tickets.id, next));
    const token = tokenOf(world.context, await ticket(id));
    await sendLinkAgain(world.context, world.owner, series.eventId, id);
    await sendDue(world.context);
    await moveToDate(world.context, world.owner, series.eventId, id, dates[1]!.id);
    await sendDue(world.context);
    expect(await ticket(id)).toMatchObject({ occurrenceId: dates[1]!.id, status: "registered" });
    expect(await ticket(next)).toMatchObject({ status: "registered" });
    expect(await opens(token)).toBe(true);
    const mails = world.sent.filter((mail) => mail.to.name === "Moves Over");
    expect(mails.map((mail) => mail.subject)).toEqual([
      "Your ticket: Tides and the saltmarsh",
      "New time: Tides and the saltmarsh",
    ]);
    const entry = (i: number) => mails[i]!.calendar!.content.replace(/\r\n[ \t]/g, "");
    const uidOf = (i: number) => /UID:(\S+)/.exec(entry(i))![1];
    expect(uidOf(1)).toBe(uidOf(0));
    expect(Number(/SEQUENCE:(\d+)/.exec(entry(1))![1])).toBeGreaterThan(Number(/SEQUENCE:(\d+)/.exec(entry(0))![1]));
    // that date is full now, and on one date nobody is twice
    const move = (who: string, to: string) => moveToDate(world.context, world.owner, series.eventId, who, to);
    await move(next, dates[1]!.id);
    expect(await ticket(next)).toMatchObject({ status: "waiting" });
    await world.context.db.update(tickets).set({ status: "pending" }).where(eq(tickets.id, next));
    await expect(move(next, dates[0]!.id)).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    await world.context.db.update(tickets).set({ status: "waiting" }).where(eq(tickets.id, next));
    await expect(move(next, "nowhere")).rejects.toMatchObject({ failure: { code: "not-found" } });
    const twin = await addTicket(world, { ...on, occurrenceId: dates[2]!.id }, "attendee", "Twin");
    await world.context.db
      .update(tickets)
      .set({ personId: (await ticket(next)).personId })
      .where(eq(tickets.id, twin));
    await expect(move(next, dates[2]!.id)).rejects.toMatchObject({ failure: { code: "address-taken" } });
    await sendDue(world.context);
  });

  it("keeps a note with the contact, for the team alone", async () => {
    await keepNote(world.context, world.owner, event.eventId, ticketId, { note: " brings a telescope " });
    const [kept] = await world.context.db
      .select()
      .from(people)
      .where(eq(people.id, (await ticket()).personId));
    expect(kept!.note).toBe("brings a telescope");
    const long = keepNote(world.context, world.owner, event.eventId, ticketId, { note: "x".repeat(2001) });
    await expect(long).rejects.toMatchObject({ failure: { code: "invalid-input" } });
  });

  it("mends an address where it stands; the ticket goes to the new one alone, and somebody else's is refused", async () => {
    const old = tokenOf(world.context, await ticket());
    await correctAddress(world.context, world.owner, event.eventId, ticketId, { email: "Mended@Example.org" });
    await sendDue(world.context);
    expect(await email()).toBe("mended@example.org");
    expect(world.sent.map((mail) => mail.to.address)).toEqual(["mended@example.org"]);
    expect(await opens(old)).toBe(false);
    const correct = (input: unknown) => correctAddress(world.context, world.owner, event.eventId, ticketId, input);
    await expect(correct({ email: "a@@b..c" })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    await addTicket(world, event, "attendee", "Somebody Else");
    const [other] = await world.context.db.select().from(people).where(eq(people.name, "Somebody Else"));
    await expect(correct({ email: other!.email })).rejects.toMatchObject({ failure: { code: "address-taken" } });
  });

  it("cancels for them: they hear of it, and the longest waiting moves up", async () => {
    const waiting = await addTicket(world, event, "attendee", "Waits");
    await world.context.db
      .update(tickets)
      .set({ status: "waiting", waitingSince: startOfTime })
      .where(eq(tickets.id, waiting));
    await cancelFor(world.context, world.owner, event.eventId, ticketId);
    expect([(await ticket()).status, (await ticket(waiting)).status]).toEqual(["cancelled", "registered"]);
    await expect(sendLinkAgain(world.context, world.owner, event.eventId, ticketId)).rejects.toMatchObject({
      failure: { code: "wrong-state" },
    });
  });

  it("is for this event's registrants alone", async () => {
    const other = await makeEvent(world);
    await expect(sendLinkAgain(world.context, world.owner, other.eventId, ticketId)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    const panelist = await addTicket(world, event, "panelist", "On stage");
    await expect(replaceLink(world.context, world.owner, event.eventId, panelist)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });
});

describe("an event that is deleted", () => {
  it("cancels its date and tells whoever is registered, where that is asked for; the ticket says cancelled", async () => {
    const token = tokenOf(world.context, await ticket());
    await deleteEvent(world.context, world.owner, event.eventId, true);
    await sendDue(world.context);
    const to = await email();
    expect(world.sent.filter((mail) => mail.to.address === to).map((mail) => mail.subject)).toEqual([
      expect.stringMatching(/^Cancelled/),
    ]);
    expect(await opens(token)).toBe(false);
    const holder = await holderOf(world.context, token, { ofDeleted: true });
    expect(holder.event.deletedAt).not.toBeNull();
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    expect(date!.phase).toBe("cancelled");
  });

  it("tells nobody where it is not", async () => {
    await deleteEvent(world.context, world.owner, event.eventId);
    const planned = and(eq(messages.eventId, event.eventId), eq(messages.kind, "cancellation"));
    expect(await world.context.db.$count(messages, planned)).toBe(0);
  });
});
