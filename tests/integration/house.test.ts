import { onePoll } from "../support/polls";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { events, messages, occurrences, templates, tickets } from "@/server/db/schema";
import { standardRules } from "@/core/organisation";
import { eventAccess } from "@/server/services/ground/access";
import { withNames } from "@/core/time";
import { readDraft } from "@/server/services/planning/calendar-import/draft";
import { readBusyCalendar } from "@/server/services/planning/calendar-import/busy-file";
import { datesOf } from "@/server/services/planning/dates/load";
import { createEvent } from "@/server/services/planning/events";
import { addBusyCalendar } from "@/server/services/people/busy-calendar";
import { findInBook } from "@/server/services/people/contacts/find";
import { findATime, findATimeAhead } from "@/server/services/people/find-a-time";
import { saveLicences } from "@/server/services/organisation/licences";
import { saveRules } from "@/server/services/organisation/rules";
import { decideSeats, requestSeats, seatRequestsOf } from "@/server/services/planning/seat-requests";
import { seatsAround } from "@/server/services/organisation/seats";
import { readinessFor } from "@/server/services/overview/readiness/findings";
import { mendFinding } from "@/server/services/overview/readiness/mends";
import { register } from "@/server/services/way-in/registration";
import { decideRegistrations } from "@/server/services/way-in/registration-changes";
import { pollsOf } from "@/server/services/planning/polls";
import { saveRunSheet, segmentsOf } from "@/server/services/planning/run-sheets";
import { addStagePerson } from "@/server/services/people/stage-people";
import {
  createFromTemplate,
  duplicateEvent,
  planFromTemplate,
  saveTemplate,
} from "@/server/services/planning/templates";
import { addMember, goodPlan, makeEvent, makeWorld, type World } from "../support/world";
import { codeOf } from "../support/code-of";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
const bytes = (text: string) => new TextEncoder().encode(text.replaceAll("\n", "\r\n"));

describe("rule 3: seat licences in the database", () => {
  it("gives the last licence to one of two who save in the same second, the other the nearest fits", async () => {
    await saveLicences(world.context, world.owner, [{ size: 100, count: 1 }]);
    const second = await addMember(world.context, world.organisationId, "producer", "Nuno Fenmoor");
    const plan = goodPlan({ startLocal: "2026-12-03T18:00" });
    const tried = await Promise.allSettled([
      createEvent(world.context, world.owner, plan),
      createEvent(world.context, second, plan),
    ]);
    expect(tried.map((one) => one.status).sort()).toEqual(["fulfilled", "rejected"]);
    const refused = tried.find((one) => one.status === "rejected")!;
    // 17:40 to 19:15 is held: the other fits from 16:25 and from 19:35 on, in quarter hours
    expect(refused.reason).toMatchObject({
      failure: {
        code: "seats-clash",
        earlier: "2026-12-03T16:15",
        later: "2026-12-03T19:45",
        clashing: [{ title: plan.title }],
      },
    });
    const rows = await world.context.db
      .select()
      .from(occurrences)
      .where(eq(occurrences.startLocal, "2026-12-03T18:00"));
    expect(rows).toHaveLength(1);
    expect(rows[0]!.licenceId).not.toBeNull();
  });

  it("gives a new date its licence though older dates clash among themselves", async () => {
    const of = (startLocal: string) => createEvent(world.context, world.owner, goodPlan({ startLocal }));
    const [first, second] = [await of("2027-06-03T10:00"), await of("2027-06-03T14:00")];
    // as after a licence was sold: both at one time, and only one can have it
    const [one] = await world.context.db.select().from(occurrences).where(eq(occurrences.eventId, first.eventId));
    await world.context.db
      .update(occurrences)
      .set({ startAt: one!.startAt, endAt: one!.endAt, licenceId: null })
      .where(eq(occurrences.eventId, second.eventId));
    const { eventId } = await of("2027-06-10T10:00");
    const [fresh] = await world.context.db.select().from(occurrences).where(eq(occurrences.eventId, eventId));
    expect(fresh!.licenceId).not.toBeNull();
    await world.context.db.delete(events).where(eq(events.id, second.eventId));
  });

  it("marks the taken quarter hours while a start is picked", async () => {
    const question = {
      occurrenceId: null,
      startLocal: "2026-12-03T18:30",
      zone: "Europe/Lisbon",
      durationMinutes: 60,
      callMinutes: 20,
      houseSize: 100,
    };
    const seen = await seatsAround(world.context, world.owner, question);
    expect(seen).toMatchObject({ verdict: "taken", earlier: "2026-12-03T16:15", later: "2026-12-03T19:45" });
    expect(seen.cells.find((cell) => cell.startLocal === "2026-12-03T12:00")).toMatchObject({ isFree: true });
    expect((await seatsAround(world.context, world.owner, { ...question, houseSize: 101 })).verdict).toBe("too-large");
  });

  it("refuses fewer licences than are booked and lists the dates", async () => {
    const refused = await saveLicences(world.context, world.owner, [{ size: 50, count: 3 }]).catch(
      (error: unknown) => error,
    );
    expect(refused).toMatchObject({
      failure: { code: "licences-in-use", dates: [{ startLocal: "2026-12-03T18:00" }] },
    });
    await saveLicences(world.context, world.owner, [
      { size: 100, count: 3 },
      { size: 500, count: 1 },
    ]);
  });

  it("grants a request for more seats with a larger licence", async () => {
    const event = await makeEvent(world, { startLocal: "2026-12-10T18:00" });
    await requestSeats(world.context, world.owner, event.eventId, { wantedSize: 400, note: "the press comes" });
    const [request] = await seatRequestsOf(world.context, world.owner, event.eventId);
    const producer = await addMember(world.context, world.organisationId, "producer", "Not the owner");
    expect(await codeOf(decideSeats(world.context, producer, request!.id, { isGranted: true, answer: "" }))).toBe(
      "not-allowed",
    );
    await decideSeats(world.context, world.owner, request!.id, { isGranted: true, answer: "good luck" });
    expect((await eventAccess(world.context, world.owner, event.eventId)).event.houseSize).toBe(400);
    expect(await codeOf(decideSeats(world.context, world.owner, request!.id, { isGranted: false, answer: "" }))).toBe(
      "already-done",
    );
    expect((await seatRequestsOf(world.context, world.owner, event.eventId))[0]).toMatchObject({
      state: "granted",
      answer: "good luck",
    });
  });
});

describe("templates", () => {
  it("keep settings, sheet and polls, and nobody's data", async () => {
    const event = await makeEvent(world, {
      startLocal: "2026-12-11T18:00",
      isPrivate: true,
      accessCode: "spoonbill-4",
      formFields: [{ id: "f", label: "Which site?", kind: "short", isRequired: true, options: [] }],
    });
    const leader = await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Leira Quill",
      email: "leira.t@example.org",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const [pollId, one, two] = ["a", "b", "c"].map((digit) => `00000000-0000-4000-8000-00000000000${digit}`) as [
      string,
      string,
      string,
    ];
    const segment = { lengthMinutes: 20, leaderTicketId: leader, pollId: null, fixedStartLocal: null };
    await saveRunSheet(world.context, world.owner, event.eventId, {
      segments: [
        { ...segment, id: one, title: "First", pollId },
        { ...segment, id: two, title: "Second", fixedStartLocal: "2026-12-11T18:30" },
      ],
      polls: [{ id: pollId, ...onePoll("?", ["yes", "no"]) }],
      parts: [],
    });
    const templateId = await saveTemplate(world.context, world.owner, event.eventId, "Evening");
    const [kept] = await world.context.db.select().from(templates).where(eq(templates.id, templateId));
    expect(JSON.stringify(kept)).not.toMatch(/Leira|spoonbill/);
    const plan = await planFromTemplate(world.context, world.owner, templateId, "2027-02-04T18:00");
    expect(plan).toMatchObject({ startLocal: "2027-02-04T18:00", formFields: [{ label: "Which site?" }] });
    expect(plan.accessCode).not.toBe("spoonbill-4");
    const made = await createFromTemplate(world.context, world.owner, templateId, { ...plan, title: "From it" });
    const [date] = await datesOf(world.context.db, made.eventId);
    const sheet = await segmentsOf(world.context.db, date!.id);
    expect(sheet.map((row) => [row.title, row.fixedStartLocal, row.leaderTicketId])).toEqual([
      ["First", null, null],
      ["Second", "2027-02-04T18:30", null],
    ]);
    expect((await pollsOf(world.context.db, date!.id))[0]!.id).toBe(sheet[0]!.pollId);
    const again = await duplicateEvent(world.context, world.owner, event.eventId);
    const [copied] = await datesOf(world.context.db, again);
    expect(copied!.startLocal).toBe("2026-12-18T18:00");
    expect(
      (await world.context.db.select().from(tickets).where(eq(tickets.eventId, again))).map((ticket) => ticket.role),
    ).toEqual(["producer"]);
  });
});

const entry = `BEGIN:VCALENDAR
VERSION:2.0
PRODID:-//Example//Calendar//EN
BEGIN:VEVENT
UID:x@example.org
DTSTAMP:20261101T090000Z
DTSTART;TZID=Europe/Madrid:20270114T183000
DURATION:PT1H15M
RRULE:FREQ=WEEKLY;COUNT=4;BYDAY=TH
SUMMARY:Marsh evening\\, live
DESCRIPTION:Line one.\\n\\nLine two <b>.
ORGANIZER;CN=Marit Corrant:mailto:marit@brinewold.example.org
ATTENDEE;CN="Quill, Leira":mailto:leira.quill@example.net
ATTACH:https://files.example.org/slides.pdf
END:VEVENT
END:VCALENDAR
`;

describe("beginning from a calendar entry", () => {
  it("takes title, words, start, zone, length, rule and people, and says what it left", async () => {
    expect(await readDraft(world.context, world.owner, bytes(entry), "", [])).toEqual({
      title: "Marsh evening, live",
      descriptionHtml: "<p>Line one.</p><p>Line two &lt;b&gt;.</p>",
      startLocal: "2027-01-14T18:30",
      zone: "Europe/Madrid",
      durationMinutes: 75,
      rule: expect.objectContaining({ freq: "WEEKLY", count: 4, byDay: [{ weekday: "TH", ordinal: null }] }) as unknown,
      people: [
        { name: "Marit Corrant", email: "marit@brinewold.example.org" },
        { name: "Quill, Leira", email: "leira.quill@example.net" },
      ],
      place: "",
      unread: [{ part: "attachments" }],
    });
  });

  it("reads pasted words", async () => {
    const draft = await readDraft(
      world.context,
      world.owner,
      null,
      "Marsh evening\n14 January 2027 18:30\n75 min\nWith a walk on screen.\nLeira Quill <leira.quill@example.net>",
      [],
    );
    expect(draft).toMatchObject({
      title: "Marsh evening",
      startLocal: "2027-01-14T18:30",
      durationMinutes: 75,
      people: [{ name: "Leira Quill", email: "leira.quill@example.net" }],
      unread: [],
    });
  });

  it("reads prose: a zone by its city, a length in words, a place, and says what it could not take", async () => {
    const cities = [withNames({ zone: "Europe/London", city: "London", country: "United Kingdom" })];
    const read = (text: string) => readDraft(world.context, world.owner, null, text, cities);
    expect(
      await read(
        "Marsh evening\nWhen: Thursday, 14 January 2027 at 18:30 (London time), an hour and a half\nPlace: Pump house, Brinewold\nBring boots.",
      ),
    ).toMatchObject({
      startLocal: "2027-01-14T18:30",
      zone: "Europe/London",
      durationMinutes: 90,
      place: "Pump house, Brinewold",
      descriptionHtml: "<p>Bring boots.</p>",
      unread: [],
    });
    expect(await read("Marsh evening\n14 January 2027, 18:30-20:00 (Atlantis time)")).toMatchObject({
      durationMinutes: 90,
      unread: [{ part: "zone", detail: "atlantis time" }],
    });
    expect(await read("Marsh evening\nsome day soon")).toMatchObject({
      startLocal: null,
      unread: [{ part: "start" }, { part: "length" }],
    });
  });

  it.each([
    ["broken lines", "BEGIN:VCALENDAR\nBEGIN:VEVENT\nSUMM"],
    ["something else", "%PDF-1.7"],
    ["nothing in it", "BEGIN:VCALENDAR\nVERSION:2.0\nPRODID:x\nEND:VCALENDAR\n"],
  ])("refuses a file with %s", async (_, text) => {
    expect(await codeOf(readDraft(world.context, world.owner, bytes(text), "", []))).toBe("bad-calendar");
  });

  it("refuses five megabytes and more, and bounds a rule without end", async () => {
    expect(await codeOf(readDraft(world.context, world.owner, new Uint8Array(5_000_001), "", []))).toBe("bad-calendar");
    const endless = entry.replace("FREQ=WEEKLY;COUNT=4;BYDAY=TH", "FREQ=DAILY;COUNT=1000000000");
    const { calendar } = readBusyCalendar(bytes(endless));
    expect(calendar.entries).toHaveLength(1);
  });
});

describe("people: free or not, taken or declined", () => {
  it("finds the slots around an uploaded calendar", async () => {
    const event = await makeEvent(world, { startLocal: "2027-01-12T18:00" });
    const ticketId = await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Oskar Vell",
      email: "oskar@example.net",
      role: "panelist",
      duties: [],
      languages: null,
    });
    const busy = entry
      .replace("20270114T183000", "20270114T090000")
      .replace("PT1H15M", "PT8H")
      .replace(/RRULE.*\n/, "");
    expect(
      (await addBusyCalendar(world.context, world.owner, event.eventId, ticketId, "own.ics", bytes(busy))).entries,
    ).toBe(1);
    const grid = await findATime(world.context, world.owner, event.eventId, {
      fromLocal: "2027-01-14T00:00",
      untilLocal: "2027-01-15T00:00",
      durationMinutes: 60,
      requiredIds: [ticketId],
    });
    const inBusy = grid.slots.filter(
      (slot) => slot.startAt < Date.parse("2027-01-14T16:00Z") && slot.endAt > Date.parse("2027-01-14T08:00Z"),
    );
    expect(inBusy).toEqual([]);
    expect(grid.slots[0]!.startAt).toBe(Date.parse("2027-01-14T16:00Z"));
  });

  it("finds a time for contacts before there is an event, from the calendar that one of them gave elsewhere", async () => {
    const elsewhere = await makeEvent(world, { startLocal: "2027-01-18T18:00" });
    const person = { name: "Ondrej Fell", email: "ondrej@example.net", role: "panelist", duties: [], languages: null };
    const ticketId = await addStagePerson(world.context, world.owner, elsewhere.eventId, person);
    const busy = entry
      .replace("20270114T183000", "20270114T090000")
      .replace("PT1H15M", "PT8H")
      .replace(/RRULE.*\n/, "");
    await addBusyCalendar(world.context, world.owner, elsewhere.eventId, ticketId, "own.ics", bytes(busy));
    const [found] = await findInBook(world.context, world.owner, "ondrej");
    const question = {
      fromLocal: "2027-01-14T00:00",
      untilLocal: "2027-01-15T00:00",
      durationMinutes: 60,
      requiredIds: [found!.id],
      personIds: [found!.id],
      zone: "Europe/Lisbon",
    };
    const grid = await findATimeAhead(world.context, world.owner, question);
    expect(grid.people.map((one) => [one.name, one.calendars])).toEqual([["Ondrej Fell", 1]]);
    expect(grid.slots[0]!.startAt).toBe(Date.parse("2027-01-14T16:00Z"));
    // a Thursday that is no working day is in nobody's hours, and still offered
    const off = await findATimeAhead(world.context, world.owner, { ...question, workDays: ["MO", "TU"] });
    expect(off.slots[0]).toMatchObject({ withinHours: 0, outsideNames: ["Ondrej Fell"] });
    // his other date here counts with its call time
    const onDate = { fromLocal: "2027-01-18T17:30", untilLocal: "2027-01-18T19:15" };
    expect((await findATimeAhead(world.context, world.owner, { ...question, ...onDate })).slots).toEqual([]);
    expect(await codeOf(findATimeAhead(world.context, world.owner, { ...question, zone: "Nowhere/Here" }))).toBe(
      "invalid-input",
    );
  });

  it("lets nobody from outside in where the house rule says so", async () => {
    const event = await makeEvent(world, { startLocal: "2027-01-15T18:00" });
    await saveRules(world.context, world.owner, {
      ...standardRules,
      guestsFromOutside: false,
      ownDomains: ["brinewold.example.org"],
    });
    const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
    const [occurrence] = await datesOf(world.context.db, event.eventId);
    const signUp = (email: string) =>
      register(
        world.context,
        { event: row, occurrence: occurrence! },
        { name: "Ines Marl", email, zone: null, hasConsented: true, source: null, answers: {} },
        "local",
      );
    expect(await codeOf(signUp("ines@example.com"))).toBe("not-welcome");
    expect(await codeOf(signUp("ines@north.brinewold.example.org"))).toBe("done");
    await saveRules(world.context, world.owner, standardRules);
  });

  it("holds registrations until somebody decides, and writes each time", async () => {
    const event = await makeEvent(world, { startLocal: "2027-01-13T18:00", approval: "by-hand" });
    const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
    const [occurrence] = await datesOf(world.context.db, event.eventId);
    for (const name of ["a", "b"])
      await register(
        world.context,
        { event: row, occurrence: occurrence! },
        { name, email: `${name}.approval@example.org`, zone: null, hasConsented: true, source: null, answers: {} },
        "local",
      );
    const waiting = await world.context.db
      .select()
      .from(tickets)
      .where(eq(tickets.occurrenceId, event.occurrenceId))
      .orderBy(tickets.registeredAt, tickets.id);
    expect(waiting.map((one) => one.status)).toEqual(["pending", "pending"]);
    expect(await decideRegistrations(world.context, world.owner, event.eventId, [waiting[0]!.id], true)).toBe(1);
    expect(
      await decideRegistrations(
        world.context,
        world.owner,
        event.eventId,
        waiting.map((one) => one.id),
        false,
      ),
    ).toBe(1);
    const kinds = (await world.context.db.select().from(messages).where(eq(messages.eventId, event.eventId)))
      .map((one) => one.kind)
      .sort();
    expect(kinds).toEqual(["confirmation", "decline", "pending", "pending", "reminder", "reminder"]);
  });
});

describe("readiness in the database", () => {
  it("finds what is missing and mends it in one act", async () => {
    const made = await createEvent(
      world.context,
      world.owner,
      goodPlan({
        startLocal: "2027-12-25T18:00",
        isPrivate: true,
        accessCode: "1111-aaaa-2222",
        isRecorded: true,
        descriptionHtml: "",
      }),
    );
    // as pages made before codes had to be long have it
    await world.context.db
      .update(events)
      .set({ accessCodeSealed: world.context.secrets.seal("1111") })
      .where(eq(events.id, made.eventId));
    const find = async () => {
      const [row] = await world.context.db.select().from(events).where(eq(events.id, made.eventId));
      const [date] = await datesOf(world.context.db, made.eventId);
      return (await readinessFor(world.context, row!, date!)).map((one) => one.check);
    };
    const before = await find();
    for (const check of [
      "not-published",
      "access-code-weak",
      "recording-without-consent",
      "public-holiday",
      "no-description",
    ])
      expect(before).toContain(check);
    for (const check of ["not-published", "access-code-weak", "recording-without-consent"])
      await mendFinding(world.context, world.owner, made.eventId, made.occurrenceId!, check);
    const after = await find();
    for (const check of ["not-published", "access-code-weak", "recording-without-consent"])
      expect(after).not.toContain(check);
    expect(
      await codeOf(mendFinding(world.context, world.owner, made.eventId, made.occurrenceId!, "public-holiday")),
    ).not.toBe("done");
  });
});
