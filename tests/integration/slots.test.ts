import { season } from "@/server/services/overview/season";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { standardRules } from "@/core/organisation";
import { events, messages, occurrences, organisations, people, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { cancelRegistration } from "@/server/services/way-in/registration-changes";
import { takeName } from "@/server/services/hour/entry";
import { bookingPage, bookSlot, createSlots, moveBooking } from "@/server/services/way-in/slots";
import { slotPages } from "@/server/services/way-in/slot-pages";
import { holderById } from "@/server/services/way-in/tickets";
import { addStagePerson } from "@/server/services/people/stage-people";
import { addMember, makeEvent, makeWorld, type World } from "../support/world";

let world: World;
let organisation: typeof organisations.$inferSelect;
beforeAll(async () => {
  world = await makeWorld();
  await world.context.db.update(organisations).set({ rules: standardRules });
  organisation = (await world.context.db.select().from(organisations))[0]!;
});
afterAll(() => world.close());

const plan = {
  title: "Open hour",
  startLocal: "2026-11-26T14:00",
  untilClock: "15:00",
  zone: "Europe/Lisbon",
  lengthMinutes: 20,
  pauseMinutes: 0,
  capacity: 1,
  rule: null,
  forEventId: null,
};
const guest = (email: string) => ({
  name: email.split("@")[0]!,
  email,
  zone: "Europe/Madrid",
  hasConsented: true,
  source: "booking",
  locale: "es",
  answers: {},
});
const make = async (part = {}) =>
  bookingPage(world.context, organisation, (await createSlots(world.context, world.owner, { ...plan, ...part })).slug);
/** Books as a visitor does, and finds the ticket that came of it. */
const book = async (page: Awaited<ReturnType<typeof make>>, startAt: number, email: string) => {
  await bookSlot(world.context, page, startAt, guest(email), "t");
  const [row] = await world.context.db
    .select({ id: tickets.id })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(and(eq(tickets.eventId, page.event.id), eq(people.email, email)));
  return row!.id;
};
const again = (slug: string) => bookingPage(world.context, organisation, slug);

describe("booked slots", () => {
  it("give each booking a date, a foyer, a mail with the join details and a calendar file of its own", async () => {
    const page = await make();
    expect(page.slots.map((slot) => slot.startLocal.slice(11))).toEqual(["14:00", "14:20", "14:40"]);
    const first = await book(page, page.slots[0]!.startAt, "ana@example.org");
    const second = await book(page, page.slots[1]!.startAt, "bea@example.org");
    const [a, b] = [await holderById(world.context, first), await holderById(world.context, second)];
    expect(a.occurrence.id).not.toBe(b.occurrence.id);
    expect(a.occurrence).toMatchObject({ kind: "slot", durationMinutes: 20 });
    expect((await again(page.event.slug)).slots).toHaveLength(1);
    await sendDue(world.context);
    const mail = world.sent.find((one) => one.to.address === "ana@example.org")!;
    expect(mail.subject).toBe("Su entrada: Open hour");
    expect(mail.text).toContain("15:00 en Madrid");
    expect(mail.calendar!.content).toContain("DTSTART;TZID=Europe/Lisbon:20261126T140000");
    expect(
      (await slotPages(world.context, world.owner))
        .find((one) => one.eventId === page.event.id)!
        .bookings.map((one) => one.name),
    ).toEqual(["ana", "bea"]);
  });

  it("book exactly their capacity when fifty click at once", async () => {
    const page = await make({ capacity: 3 });
    const { startAt } = page.slots[0]!;
    const clicks = await Promise.allSettled(
      Array.from({ length: 50 }, (_, i) =>
        bookSlot(world.context, page, startAt, guest(`click${i}@example.org`), `r${i}`),
      ),
    );
    const refused = clicks.filter((one) => one.status === "rejected");
    expect(clicks.length - refused.length).toBe(3);
    for (const one of refused) expect(one.reason).toMatchObject({ failure: { code: "house-full" } });
    const [date] = await world.context.db
      .select()
      .from(occurrences)
      .where(and(eq(occurrences.eventId, page.event.id), eq(occurrences.startAt, startAt)));
    expect(
      await world.context.db.$count(tickets, and(eq(tickets.occurrenceId, date!.id), eq(tickets.status, "registered"))),
    ).toBe(3);
  });

  it("move with their ticket, and come free when they are cancelled", async () => {
    const page = await make();
    const id = await book(page, page.slots[0]!.startAt, "mover@example.org");
    await moveBooking(world.context, page, await holderById(world.context, id), page.slots[2]!.startAt);
    expect((await holderById(world.context, id)).occurrence.startAt).toBe(page.slots[2]!.startAt);
    expect((await again(page.event.slug)).slots.map((slot) => slot.startLocal.slice(11))).toEqual(["14:00", "14:20"]);
    expect(await world.context.db.$count(messages, and(eq(messages.ticketId, id), eq(messages.kind, "change")))).toBe(
      1,
    );
    // the slot that was left stands nowhere in the season any more, the one that is held does
    const shown = async () =>
      (await season(world.context, world.owner, { words: page.event.title })).ahead
        .filter((date) => date.eventId === page.event.id)
        .map((date) => date.startAt);
    expect(await shown()).toEqual([page.slots[2]!.startAt]);
    await cancelRegistration(world.context, await holderById(world.context, id));
    expect(await shown()).toEqual([]);
    expect((await again(page.event.slug)).slots).toHaveLength(3);
    await expect(
      bookSlot(world.context, page, page.slots[0]!.startAt + 1, guest("odd@example.org"), "t"),
    ).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("answer alike whether an address has a booking or not; the mail alone tells, and no date is made", async () => {
    const page = await make();
    const id = await book(page, page.slots[0]!.startAt, "twice@example.org");
    await sendDue(world.context);
    world.clock.advance(60_000);
    const answers = [
      await bookSlot(world.context, page, page.slots[1]!.startAt, guest("twice@example.org"), "t"),
      await bookSlot(world.context, page, page.slots[2]!.startAt, guest("first-time@example.org"), "t"),
    ];
    expect(answers[0]).toEqual(answers[1]);
    expect((await holderById(world.context, id)).occurrence.startAt).toBe(page.slots[0]!.startAt);
    const dates = await world.context.db.$count(occurrences, eq(occurrences.eventId, page.event.id));
    expect(dates).toBe(2);
    await sendDue(world.context);
    const mails = world.sent.filter((one) => one.to.address === "twice@example.org");
    expect(mails.map((one) => one.subject)).toEqual(["Su entrada: Open hour", "Su entrada: Open hour"]);
    expect(mails[1]!.text).toContain("15:00 en Madrid");
  });

  it("mark the tech check of whoever tried sound and picture there", async () => {
    const event = await makeEvent(world);
    await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Ilka Varn",
      email: "ilka@example.org",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const page = await make({ title: "Tech check", forEventId: event.eventId });
    const holder = await holderById(world.context, await book(page, page.slots[0]!.startAt, "ilka@example.org"));
    const stage = async () =>
      (
        await world.context.db
          .select()
          .from(tickets)
          .where(and(eq(tickets.eventId, event.eventId), eq(tickets.role, "panelist")))
      )[0]!;
    await takeName(world.context, holder, "Ilka Varn", false);
    expect((await stage()).techCheckedAt).toBeNull();
    await takeName(world.context, holder, "Ilka Varn", true);
    expect((await stage()).techCheckedAt).toBe(world.clock.now());
  });

  it("are refused where the hours are wrong, and made by nobody of the crew", async () => {
    await expect(make({ untilClock: "13:00" })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    await expect(make({ zone: "Europe/Nowhere" })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    await expect(createSlots(world.context, crew, plan)).rejects.toMatchObject({ failure: { code: "not-allowed" } });
    expect(await world.context.db.$count(events, eq(events.shape, "slots"))).toBeGreaterThan(0);
    await expect(bookingPage(world.context, organisation, "nothing")).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });
});
