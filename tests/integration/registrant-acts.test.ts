import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { messages, occurrences, people, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { deleteEvent } from "@/server/services/planning/event-life";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { cancelFor, correctAddress, replaceLink, sendLinkAgain } from "@/server/services/way-in/registrant-acts";
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
