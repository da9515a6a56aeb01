import { and, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dayMs, hourMs, minuteMs } from "@/core/time";
import { messages, occurrences, people, tickets } from "@/server/db/schema";
import { importEntries } from "@/server/services/afterwards/import-entries";
import { saveMailing } from "@/server/services/mailings/compose";
import { sendDue } from "@/server/services/mailings/deliver";
import { sendMailing, summariseAudience } from "@/server/services/mailings/send";
import { planFollowUps } from "@/server/services/mailings/track";
import { held } from "../support/held";
import { composed, nobodyBut } from "../support/mailing";
import { addTicket, makeEvent, makeWorld, startOfTime, stayed, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const keep = (event: MadeEvent, kind: "note" | "follow-up-came" | "follow-up-missed", part = {}) =>
  saveMailing(world.context, world.owner, event.eventId, null, 0, composed(kind, part));
const emailOf = async (ticketId: string) =>
  (
    await world.context.db
      .select({ email: people.email })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(tickets.id, ticketId))
  )[0]!.email!;
const plannedFor = async (event: MadeEvent, kind: "follow-up-came" | "follow-up-missed") =>
  (
    await world.context.db
      .select({ email: people.email })
      .from(messages)
      .innerJoin(people, eq(people.id, messages.personId))
      .where(and(eq(messages.eventId, event.eventId), eq(messages.kind, kind)))
  )
    .map((row) => row.email!)
    .sort();

describe("follow-ups (rule 7: who came and who did not is rule 13's)", () => {
  it("go after the end, each to its own: who came, who did not, once", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const came = await addTicket(world, event, "attendee", "Came");
    const missed = await addTicket(world, event, "attendee", "Missed");
    const early = await addTicket(world, event, "attendee", "Left before the curtain");
    await addTicket(world, event, "test-guest", "Tester");
    const { raisedAt } = await held(world, event.occurrenceId);
    await stayed(world, event.occurrenceId, came, { fromAt: raisedAt, toAt: raisedAt + 20 * minuteMs });
    await stayed(world, event.occurrenceId, early, { fromAt: raisedAt - 9 * minuteMs, toAt: raisedAt - 2 * minuteMs });
    await keep(event, "follow-up-came", { subject: "Thanks" });
    await keep(event, "follow-up-missed", { subject: "Pity", afterMinutes: 24 * 60 });
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    world.clock.set(date!.endAt + 59 * minuteMs);
    expect(await planFollowUps(world.context)).toBe(0);
    world.clock.set(date!.endAt + 61 * minuteMs);
    expect([await planFollowUps(world.context), await planFollowUps(world.context)]).toEqual([1, 0]);
    world.clock.set(date!.endAt + dayMs + hourMs);
    expect(await planFollowUps(world.context)).toBe(2);
    await sendDue(world.context);
    const sent = world.sent.filter((mail) => ["Thanks", "Pity"].includes(mail.subject));
    expect(sent.map((mail) => `${mail.subject} ${mail.to.address}`).sort()).toEqual(
      [`Pity ${await emailOf(missed)}`, `Pity ${await emailOf(early)}`, `Thanks ${await emailOf(came)}`].sort(),
    );
  });

  it("take whom a file of entries says was there for one who came, never for one who missed it", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const ticket = await addTicket(world, event, "attendee", "Watched in the hall");
    const missed = await addTicket(world, event, "attendee", "At home");
    await held(world, event.occurrenceId);
    const lines = [
      "person,name,email,role,device,in,out",
      `,Watched in the hall,${await emailOf(ticket)},attendee,hall,2026-11-26T18:00:00Z,2026-11-26T18:50:00Z`,
      ",Walked in,walked-in@example.org,attendee,hall,2026-11-26T18:00:00Z,2026-11-26T18:50:00Z",
    ];
    const file = new TextEncoder().encode(lines.join("\r\n"));
    await importEntries(world.context, world.owner, event.eventId, event.occurrenceId, file);
    await keep(event, "follow-up-came");
    await keep(event, "follow-up-missed");
    world.clock.set(Date.parse("2026-11-26T20:30:00Z"));
    await planFollowUps(world.context);
    expect(await plannedFor(event, "follow-up-came")).toEqual([await emailOf(ticket), "walked-in@example.org"].sort());
    expect(await plannedFor(event, "follow-up-missed")).toEqual([await emailOf(missed)]);
  });

  it("of twenty dates that reach nobody do not hold up the one after them", async () => {
    world.clock.set(startOfTime);
    for (let i = 0; i < 20; i += 1) {
      const empty = await makeEvent(world, { title: `Nobody came ${i}`, startLocal: "2026-11-25T18:00" });
      await held(world, empty.occurrenceId);
      await keep(empty, "follow-up-came");
    }
    const event = await makeEvent(world);
    const came = await addTicket(world, event, "attendee", "Came");
    const { raisedAt } = await held(world, event.occurrenceId);
    await stayed(world, event.occurrenceId, came, { fromAt: raisedAt, toAt: raisedAt + 20 * minuteMs });
    await keep(event, "follow-up-came");
    world.clock.set(raisedAt + 3 * hourMs);
    await planFollowUps(world.context);
    expect(await planFollowUps(world.context)).toBe(1);
    expect(await plannedFor(event, "follow-up-came")).toEqual([await emailOf(came)]);
  });
});

describe("a mailing to those of a series' last date", () => {
  it("reaches that date's people, not the next one's", async () => {
    world.clock.set(startOfTime);
    const rule = { freq: "WEEKLY", interval: 1, count: 3, until: null, byMonth: [], byMonthDay: [] };
    const byDay = [{ weekday: "TH", ordinal: null }];
    const event = await makeEvent(world, { shape: "series", rule: { ...rule, byDay, wkst: "MO" } as never });
    const dates = await world.context.db
      .select()
      .from(occurrences)
      .where(eq(occurrences.eventId, event.eventId))
      .orderBy(occurrences.startAt);
    const last = { ...event, occurrenceId: dates[0]!.id };
    const [came, missed] = [
      await addTicket(world, last, "attendee", "Came"),
      await addTicket(world, last, "attendee", "Missed"),
    ];
    await addTicket(world, { ...event, occurrenceId: dates[1]!.id }, "attendee", "Of the next date");
    const { raisedAt, endedAt } = await held(world, last.occurrenceId);
    await stayed(world, last.occurrenceId, came, { fromAt: raisedAt, toAt: raisedAt + 20 * minuteMs });
    world.clock.set(endedAt + dayMs);
    const audience = { ...nobodyBut({ standing: ["missed"] }), dateId: last.occurrenceId };
    const summary = await summariseAudience(world.context, world.owner, event.eventId, "note", audience);
    expect(summary.first.map((one) => one.email)).toEqual([await emailOf(missed)]);
    const next = await summariseAudience(world.context, world.owner, event.eventId, "note", {
      ...audience,
      dateId: null,
    });
    expect(next.count).toBe(0);
    const { id } = await keep(event, "note", { subject: "We missed you", audience });
    expect(await sendMailing(world.context, world.owner, event.eventId, id)).toMatchObject({ planned: 1 });
    const [mail] = await world.context.db.select().from(messages).where(eq(messages.mailingId, id));
    expect(mail!.occurrenceId).toBe(last.occurrenceId);
  });
});
