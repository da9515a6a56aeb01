import { season } from "@/server/services/overview/season";
import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { standardRules } from "@/core/organisation";
import { events, messages, occurrences, organisations, people, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { cancelRegistration } from "@/server/services/way-in/registration-changes";
import { takeName } from "@/server/services/hour/entry";
import { sendLetters } from "@/server/services/mailings/letters";
import { entryOf } from "@/server/services/way-in/replies";
import { cancelBookings, closeSlots, createSlots, editSlots } from "@/server/services/way-in/slot-plans";
import { bookingPage, bookSlot, moveBooking } from "@/server/services/way-in/slots";
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

  it("stay one entry of the guest's calendar when they move, and then go from it", async () => {
    world.sent.length = 0;
    const page = await make();
    const id = await book(page, page.slots[0]!.startAt, "entry@example.org");
    await sendDue(world.context);
    await moveBooking(world.context, page, await holderById(world.context, id), page.slots[2]!.startAt);
    await sendDue(world.context);
    await cancelRegistration(world.context, await holderById(world.context, id));
    await sendDue(world.context);
    const entries = world.sent
      .filter((mail) => mail.to.address === "entry@example.org")
      .map((mail) => mail.calendar!.content.replace(/\r\n[ \t]/g, ""));
    const of = (pattern: RegExp) => entries.map((entry) => pattern.exec(entry)![1]!);
    expect(new Set(of(/UID:(\S+)/)).size).toBe(1);
    expect(of(/METHOD:(\w+)/)).toEqual(["REQUEST", "REQUEST", "CANCEL"]);
    expect(of(/DTSTART;TZID=Europe\/Lisbon:(\w+)/)).toEqual(["20261126T140000", "20261126T144000", "20261126T144000"]);
    const sequences = of(/SEQUENCE:(\d+)/).map(Number);
    expect(sequences[1]!).toBeGreaterThan(sequences[0]!);
    // an answer by calendar finds the booking by the entry's first name
    expect(await entryOf(world.context, of(/UID:(\S+)/)[0]!)).toMatchObject({ eventId: page.event.id });
  });

  it("are told to whoever gives out the hours, by mail: made, moved, given back", async () => {
    world.sent.length = 0;
    const page = await make({ title: "Told hour" });
    const id = await book(page, page.slots[0]!.startAt, "told@example.org");
    await moveBooking(world.context, page, await holderById(world.context, id), page.slots[1]!.startAt);
    await cancelRegistration(world.context, await holderById(world.context, id));
    await sendLetters(world.context);
    const letters = world.sent.filter((mail) => mail.subject.endsWith("Told hour"));
    expect(letters.map((mail) => mail.subject).sort()).toEqual([
      "Booked: Told hour",
      "Given back: Told hour",
      "Moved: Told hour",
    ]);
    expect(letters.find((mail) => mail.subject.startsWith("Booked"))!.text).toContain(
      "told booked Thursday, 26 November 2026, 14:00 in Lisbon.",
    );
  });

  it("stand when the hours are changed: nobody is put beside them, and others are offered around", async () => {
    const page = await make();
    const id = await book(page, page.slots[1]!.startAt, "stands@example.org");
    const edited = { ...plan, title: "Other hours", startLocal: "2026-11-26T14:10", untilClock: "15:10" };
    await editSlots(world.context, world.owner, page.event.id, edited);
    const after = await again(page.event.slug);
    expect(after.event.title).toBe("Other hours");
    // 14:20–14:40 is taken: 14:10 and 14:30 would cross it
    expect(after.slots.map((slot) => slot.startLocal.slice(11))).toEqual(["14:50"]);
    expect((await holderById(world.context, id)).occurrence.startAt).toBe(page.slots[1]!.startAt);
    await expect(
      editSlots(world.context, world.owner, page.event.id, { ...edited, untilClock: "14:00" }),
    ).rejects.toMatchObject({ failure: { code: "invalid-input" } });
  });

  it("can be closed and opened again, and cancelled by whoever gave them: the guest hears, the host does not", async () => {
    world.sent.length = 0;
    const page = await make({ title: "Closed hour" });
    const id = await book(page, page.slots[0]!.startAt, "closed@example.org");
    await sendLetters(world.context);
    await sendDue(world.context);
    world.sent.length = 0;
    await closeSlots(world.context, world.owner, page.event.id, true);
    const closed = await again(page.event.slug);
    expect(closed.slots).toEqual([]);
    await expect(
      bookSlot(world.context, closed, page.slots[1]!.startAt, guest("late@example.org"), "t"),
    ).rejects.toMatchObject({ failure: { code: "not-found" } });
    const { occurrence } = await holderById(world.context, id);
    expect(await cancelBookings(world.context, world.owner, page.event.id, [occurrence.id])).toBe(1);
    await sendLetters(world.context);
    await sendDue(world.context);
    expect(world.sent.map((mail) => [mail.to.address, mail.calendar?.method])).toEqual([
      ["closed@example.org", "CANCEL"],
    ]);
    await closeSlots(world.context, world.owner, page.event.id, false);
    expect((await again(page.event.slug)).slots).toHaveLength(3);
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
