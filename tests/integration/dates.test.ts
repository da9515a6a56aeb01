import { and, asc, eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dayMs, hourMs } from "@/core/time";
import { events, messages, occurrences, tickets } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { applyExtent, previewExtent, undoChange } from "@/server/services/planning/dates/extents";
import { fillSeries } from "@/server/services/planning/dates/fill";
import { datesOf, seriesOf } from "@/server/services/planning/dates/load";
import { openRoomNow, openStanding, slugOfRoomCode } from "@/server/services/planning/dates/open-now";
import { addRehearsal, inviteToRehearsal } from "@/server/services/planning/dates/rehearsals";
import { createEvent } from "@/server/services/planning/events";
import { deleteEvent, restoreEvent } from "@/server/services/planning/event-life";
import { frontDoor, organisationFor } from "@/server/services/way-in/front-door";
import { sendDue } from "@/server/services/mailings/deliver";
import { enterByLink, register } from "@/server/services/way-in/registration";
import { addStagePerson } from "@/server/services/people/stage-people";
import { holderById, holderOf } from "@/server/services/way-in/tickets";
import { goodPlan, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const weekly = {
  freq: "WEEKLY" as const,
  interval: 1,
  count: 6,
  until: null,
  byMonth: [],
  byMonthDay: [],
  byDay: [],
  wkst: "MO" as const,
};
/** Thursdays from 11 March 2027: the clocks of Lisbon go forward on the 28th. */
const spring = () => makeEvent(world, { shape: "series", rule: weekly, startLocal: "2027-03-11T18:00" });
const starts = async ({ eventId }: MadeEvent) =>
  (await datesOf(world.context.db, eventId)).map((date) => date.startLocal);
async function signUp(event: MadeEvent, dateIndex: number, email: string): Promise<string> {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  const occurrence = (await datesOf(world.context.db, event.eventId))[dateIndex]!;
  await register(
    world.context,
    { event: row, occurrence },
    { name: "Ines Marl", email, zone: "Europe/Madrid", hasConsented: true, source: null, answers: {} },
    "local",
  );
  return occurrence.id;
}
const move = (markedIds: readonly string[], firstStartLocal: string) => ({
  markedIds: [...markedIds],
  change: { kind: "move" as const, firstStartLocal, durationMinutes: null },
});
const mails = async () => {
  await sendDue(world.context);
  return world.sent.splice(0).map((mail) => `${mail.to.address}: ${mail.subject}`);
};

describe("rule 2: a series, and changes to an extent of it", () => {
  it("keeps its wall time over the clock change", async () => {
    const dates = await datesOf(world.context.db, (await spring()).eventId);
    expect(dates.map((date) => date.startLocal.slice(5))).toEqual([
      "03-11T18:00",
      "03-18T18:00",
      "03-25T18:00",
      "04-01T18:00",
      "04-08T18:00",
      "04-15T18:00",
    ]);
    // Lisbon is at UTC before 28 March 2027 and an hour ahead of it after (zone database)
    expect(dates.map((date) => new Date(date.startAt).getUTCHours())).toEqual([18, 18, 18, 17, 17, 17]);
  });

  it("moves one date: the rule stays, the registration follows, the mail is asked for", async () => {
    const event = await spring();
    const dateId = await signUp(event, 1, "one@example.org");
    await mails();
    const seen = await previewExtent(world.context, world.owner, event.eventId, move([dateId], "2027-03-19T19:00"));
    expect(seen).toMatchObject({ extent: "single", registrations: 1, couldTell: 2, refused: null });
    expect((await starts(event))[1]).toBe("2027-03-18T18:00");
    const done = await applyExtent(world.context, world.owner, event.eventId, move([dateId], "2027-03-19T19:00"), true);
    expect(done).toMatchObject({ extent: "single", changed: 1 });
    expect((await starts(event))[1]).toBe("2027-03-19T19:00");
    expect(await seriesOf(world.context.db, event.eventId)).toHaveLength(1);
    world.clock.advance(6 * 60_000);
    expect(await mails()).toContain("one@example.org: New time: Tides and the saltmarsh");
    const [moved] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, dateId));
    expect(moved).toMatchObject({ originalStartLocal: "2027-03-18T18:00", sequence: 1 });
  });

  it("splits at a later stretch: the old part gets an UNTIL, the new one the rest of the count", async () => {
    const event = await spring();
    const later = (await datesOf(world.context.db, event.eventId)).slice(3);
    const ticketDate = await signUp(event, 4, "later@example.org");
    const done = await applyExtent(
      world.context,
      world.owner,
      event.eventId,
      move(
        later.map((date) => date.id),
        "2027-04-02T17:00",
      ),
      false,
    );
    expect(done).toMatchObject({ extent: "later", changed: 3, told: 0 });
    const rows = await seriesOf(world.context.db, event.eventId);
    expect(rows).toHaveLength(2);
    expect(rows[0]!.rule).toMatchObject({ count: null });
    expect(rows[0]!.rule.until).not.toBeNull();
    expect(rows[1]!.rule.count).toBe(3);
    expect(rows[1]!.uid).not.toBe(rows[0]!.uid);
    expect((await starts(event)).slice(3)).toEqual(["2027-04-02T17:00", "2027-04-09T17:00", "2027-04-16T17:00"]);
    const [kept] = await world.context.db
      .select()
      .from(tickets)
      .where(and(eq(tickets.occurrenceId, ticketDate), eq(tickets.role, "attendee")));
    expect(kept!.status).toBe("registered");
  });

  it("takes a calling off back, once, and never after something newer", async () => {
    const event = await spring();
    const ids = (await datesOf(world.context.db, event.eventId)).map((date) => date.id);
    const before = await starts(event);
    const first = await applyExtent(
      world.context,
      world.owner,
      event.eventId,
      { markedIds: [ids[2]!], change: { kind: "call-off" } },
      false,
    );
    expect((await datesOf(world.context.db, event.eventId))[2]!.phase).toBe("cancelled");
    const second = await applyExtent(
      world.context,
      world.owner,
      event.eventId,
      move(ids.slice(4), "2027-04-09T20:00"),
      false,
    );
    expect(await codeOf(undoChange(world.context, world.owner, event.eventId, first.changeId))).toBe("nothing-to-undo");
    await undoChange(world.context, world.owner, event.eventId, second.changeId);
    await undoChange(world.context, world.owner, event.eventId, first.changeId);
    expect(await starts(event)).toEqual(before);
    expect((await datesOf(world.context.db, event.eventId)).every((date) => date.phase === "scheduled")).toBe(true);
    expect(await seriesOf(world.context.db, event.eventId)).toHaveLength(1);
    expect(await codeOf(undoChange(world.context, world.owner, event.eventId, first.changeId))).toBe("nothing-to-undo");
  });

  it.each([
    ["COUNT 0", { ...weekly, count: 0 }, "invalid-input"],
    ["400 dates", { ...weekly, count: 400 }, "too-many-dates"],
    ["no date at all", { ...weekly, freq: "YEARLY" as const, byMonth: [2], byMonthDay: [30] }, "no-dates"],
    ["UNTIL before the start", { ...weekly, count: null, until: "2027-01-01T00:00" }, "bad-rule"],
  ])("refuses %s and writes nothing", async (_, rule, code) => {
    const count = (await world.context.db.select().from(events)).length;
    const found = await codeOf(
      createEvent(
        world.context,
        world.owner,
        goodPlan({ shape: "series", rule: rule as typeof weekly, startLocal: "2027-03-11T18:00" }),
      ),
    );
    expect(found).toBe(code);
    expect((await world.context.db.select().from(events)).length).toBe(count);
  });
});

describe("rule 2: an open-ended series", () => {
  it("is kept filled as time passes, at most 366 dates ahead", async () => {
    const daily = { ...weekly, freq: "DAILY" as const, count: null };
    const event = await makeEvent(world, { shape: "series", rule: daily, startLocal: "2027-03-01T07:00" });
    const first = await starts(event);
    expect([first.length, first.at(-1)]).toEqual([366, "2028-02-29T07:00"]);
    expect(await fillSeries(world.context)).toBe(0);
    world.clock.set(Date.parse("2027-03-10T12:00:00Z"));
    expect(await fillSeries(world.context)).toBe(10);
    expect((await starts(event)).at(-1)).toBe("2028-03-10T07:00");
    expect(await fillSeries(world.context)).toBe(0);
    await deleteEvent(world.context, world.owner, event.eventId);
    world.clock.set(Date.parse("2027-03-10T13:00:00Z"));
  });
});

describe("rule 5: the bin", () => {
  it("brings an event back whole; mails not yet due are planned again, those that were due are not", async () => {
    const event = await makeEvent(world, { startLocal: "2027-05-20T18:00" });
    await signUp(event, 0, "bin@example.org");
    await mails();
    const states = async () =>
      (
        await world.context.db
          .select()
          .from(messages)
          .where(eq(messages.eventId, event.eventId))
          .orderBy(asc(messages.dueAt))
      ).map((one) => one.state);
    expect(await states()).toEqual(["sent", "planned", "planned"]);
    await deleteEvent(world.context, world.owner, event.eventId);
    expect(await states()).toEqual(["sent", "held", "held"]);
    world.clock.set(Date.parse("2027-05-20T09:00:00Z"));
    expect(await mails()).toEqual([]);
    await restoreEvent(world.context, world.owner, event.eventId);
    expect(await states()).toEqual(["sent", "dropped", "planned"]);
    world.clock.set(Date.parse("2027-05-20T16:41:00Z"));
    expect(await mails()).toEqual(["bin@example.org: Tides and the saltmarsh begins in 19 minutes"]);
  });
});

describe("rooms without fixed time", () => {
  it("are opened in one act, found by their code, entered by a name alone", async () => {
    const room = await openRoomNow(world.context, world.owner);
    const organisation = await organisationFor(world.context.db, "");
    expect(await slugOfRoomCode(world.context, organisation, ` ${room.roomCode.toUpperCase()} `)).toBe(room.slug);
    const found = await frontDoor(world.context, organisation, room.slug, { cookie: null, isInvited: false });
    if (found.isLocked) throw new Error("locked");
    const token = await enterByLink(world.context, found.door, { name: "Bo Thrift", hasConsented: true }, "local");
    expect((await holderOf(world.context, token)).occurrence.id).toBe(room.occurrenceId);
    expect(await codeOf(enterByLink(world.context, found.door, { name: " ", hasConsented: true }, "local"))).toBe(
      "invalid-input",
    );
    // opened twice it stays the one room
    expect((await openStanding(world.context, world.owner, room.eventId)).occurrenceId).toBe(room.occurrenceId);
  });

  it("show no date while they are closed, and take nobody in", async () => {
    const { eventId } = await createEvent(
      world.context,
      world.owner,
      goodPlan({ shape: "standing", entryBy: "open-link" }),
    );
    const { event } = await eventAccess(world.context, world.owner, eventId);
    expect(
      await codeOf(
        enterByLink(world.context, { event, occurrence: null }, { name: "Bo", hasConsented: true }, "local"),
      ),
    ).toBe("wrong-state");
  });
});

describe("rehearsals", () => {
  it("are for stage people alone, whose link leads there while they are next", async () => {
    const event = await makeEvent(world, { startLocal: "2027-06-10T18:00" });
    const panelist = await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Leira Quill",
      email: "leira@example.org",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const rehearsal = await addRehearsal(world.context, world.owner, event.eventId, {
      startLocal: "2027-06-09T11:00",
      durationMinutes: 30,
    });
    expect((await datesOf(world.context.db, event.eventId)).map((date) => date.id)).toEqual([event.occurrenceId]);
    expect(await inviteToRehearsal(world.context, world.owner, event.eventId, rehearsal)).toBe(1);
    await sendDue(world.context);
    // its entry in a calendar says what it is, too
    expect(world.sent.at(-1)!.calendar!.content).toContain("SUMMARY:Rehearsal: Tides and the saltmarsh");
    expect(await mails()).toEqual(["leira@example.org: Rehearsal: Tides and the saltmarsh"]);
    expect((await holderById(world.context, panelist)).occurrence.id).toBe(rehearsal);
    world.clock.set(Date.parse("2027-06-09T10:30:00Z") + 8 * hourMs);
    expect((await holderById(world.context, panelist)).occurrence.id).toBe(event.occurrenceId);
    world.clock.advance(dayMs);
  });
});
