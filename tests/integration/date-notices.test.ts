import { randomUUID } from "node:crypto";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { invitees } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { sendDue } from "@/server/services/mailings/deliver";
import { applyExtent, undoChange } from "@/server/services/planning/dates/extents";
import { datesOf } from "@/server/services/planning/dates/load";
import { holdersCount } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import { register } from "@/server/services/way-in/registration";
import { weekly } from "../support/weekly";
import { addPerson, goodPlan, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(startOfTime);
  await sendDue(world.context);
  world.sent.length = 0;
});

const thursdays = () => makeEvent(world, { shape: "series", rule: weekly(4), startLocal: "2027-03-04T18:00" });

async function signUp(event: MadeEvent, dateIndex: number, email: string): Promise<void> {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  const occurrence = (await datesOf(world.context.db, event.eventId))[dateIndex]!;
  const input = { name: "Ines Marl", email, zone: "Europe/Lisbon", hasConsented: true, source: null, answers: {} };
  await register(world.context, { event: row, occurrence }, input, "local");
}

async function moveFrom(event: MadeEvent, from: number, until: number, firstStartLocal: string) {
  const dates = (await datesOf(world.context.db, event.eventId)).slice(from, until);
  const change = { kind: "move" as const, firstStartLocal, durationMinutes: null };
  const input = { markedIds: dates.map((date) => date.id), change };
  return applyExtent(world.context, world.owner, event.eventId, input, true);
}

/** The mails about a new time that leave within six minutes. */
async function notices() {
  await sendDue(world.context);
  world.sent.length = 0;
  world.clock.advance(6 * minuteMs);
  await sendDue(world.context);
  return world.sent.filter((mail) => mail.subject.startsWith("New time"));
}

describe("word of a changed hour", () => {
  it("is one mail a person, however many dates changed, with an entry and the own link for each", async () => {
    const event = await thursdays();
    for (const [date, email] of [
      [1, "both@example.org"],
      [2, "both@example.org"],
      [2, "one@example.org"],
    ] as const)
      await signUp(event, date, email);
    await moveFrom(event, 1, 3, "2027-03-12T19:00");
    const mails = await notices();
    const to = (email: string) => mails.filter((mail) => mail.to.address === email);
    expect([to("both@example.org").length, to("one@example.org").length]).toEqual([1, 1]);
    const [both] = to("both@example.org");
    expect(both!.text).toContain("Friday, 12 March 2027, 19:00 in Lisbon; Friday, 19 March 2027, 19:00 in Lisbon");
    const entries = both!
      .calendar!.content.replace(/\r\n[ \t]/g, "")
      .split("BEGIN:VEVENT")
      .slice(1);
    expect(entries.map((entry) => /DTSTART;TZID=Europe\/Lisbon:(\w+)/.exec(entry)![1])).toEqual([
      "20270312T190000",
      "20270319T190000",
    ]);
    const links = entries.map((entry) => /URL:(\S+)/.exec(entry)![1]!);
    expect(new Set(links).size).toBe(2);
    for (const link of links) expect(link).toMatch(/^https:\/\/stage\.example\.org\/enter\/[\w-]{40,}$/);
    expect(to("one@example.org")[0]!.calendar!.content).not.toContain("20270312T190000");
  });

  it("joins edits within five minutes, and leaves out what was undone", async () => {
    const event = await thursdays();
    for (const date of [1, 2]) await signUp(event, date, "edits@example.org");
    await moveFrom(event, 1, 2, "2027-03-12T19:00");
    const second = await moveFrom(event, 2, 3, "2027-03-19T20:00");
    await undoChange(world.context, world.owner, event.eventId, second.changeId);
    const mails = (await notices()).filter((mail) => mail.to.address === "edits@example.org");
    expect(mails).toHaveLength(1);
    expect(mails[0]!.text).toContain("The new time is Friday, 12 March 2027, 19:00 in Lisbon.");
  });

  it("tells nobody again of an hour they heard of, because one mail of it was put off", async () => {
    const event = await thursdays();
    for (const [date, email] of [
      [1, "heard@example.org"],
      [1, "put.off@example.org"],
      [2, "other@example.org"],
    ] as const)
      await signUp(event, date, email);
    await moveFrom(event, 1, 2, "2027-03-12T19:00");
    await sendDue(world.context);
    world.clock.advance(6 * minuteMs);
    // one of the three mails of the first change is put off by its server
    world.replies.push(451);
    await sendDue(world.context);
    await moveFrom(event, 2, 3, "2027-03-19T20:00");
    const second = (await notices()).filter((mail) => mail.text.includes("19 March 2027"));
    expect(second.map((mail) => mail.to.address)).toContain("other@example.org");
    expect(second.map((mail) => mail.to.address)).not.toContain("heard@example.org");
    for (const mail of second) expect(mail.text).not.toContain("12 March 2027");
  });

  it("goes to invited people who said that they come, as to registrants, and to nobody who did not answer", async () => {
    const event = await makeEvent(world, { startLocal: "2027-03-04T18:00" });
    const invite = async (email: string, reply: "coming" | null) => {
      const personId = await addPerson(world.context, world.organisationId, "Guest", email);
      const row = { id: randomUUID(), organisationId: world.organisationId, eventId: event.eventId, personId };
      await world.context.db.insert(invitees).values({ ...row, invitedAt: startOfTime, reply });
    };
    await invite("comes@example.org", "coming");
    await invite("silent@example.org", null);
    const [date] = await datesOf(world.context.db, event.eventId);
    // the producer and the one who comes
    expect(await holdersCount(world.context, date!)).toBe(2);
    const moved = goodPlan({ startLocal: "2027-03-05T18:00" });
    expect(await savePlan(world.context, world.owner, event.eventId, 1, moved, true)).toMatchObject({ told: 2 });
    const mails = await notices();
    expect(mails.map((mail) => mail.to.address).filter((to) => /comes|silent/.test(to))).toEqual(["comes@example.org"]);
  });
});

describe("word of a cancelled date", () => {
  const callOff = async (event: MadeEvent, why?: string) => {
    const [date] = await datesOf(world.context.db, event.eventId);
    const change = { kind: "call-off" as const, ...(why === undefined ? {} : { why }) };
    return applyExtent(world.context, world.owner, event.eventId, { markedIds: [date!.id], change }, true);
  };
  const cancelled = async () => {
    world.sent.length = 0;
    await sendDue(world.context);
    return world.sent.find((mail) => mail.subject.startsWith("Cancelled: "))!;
  };
  it("says why in both parts, where somebody wrote why; taking it back forgets it", async () => {
    const event = await makeEvent(world, { startLocal: "2027-03-05T18:00" });
    await signUp(event, 0, "why@example.org");
    await sendDue(world.context);
    const { changeId } = await callOff(event, "  The speaker is ill <fever>. ");
    const mail = await cancelled();
    expect(mail.text).toContain("will not take place.\n\nThe speaker is ill <fever>.\n\n");
    expect(mail.html).toContain("<p>The speaker is ill &lt;fever&gt;.</p>");
    await undoChange(world.context, world.owner, event.eventId, changeId);
    expect((await datesOf(world.context.db, event.eventId))[0]).toMatchObject({
      phase: "scheduled",
      cancelledWhy: null,
    });
  });
  it("has no gap where nobody wrote why", async () => {
    const event = await makeEvent(world, { startLocal: "2027-03-06T18:00" });
    await signUp(event, 0, "quiet@example.org");
    await sendDue(world.context);
    await callOff(event);
    const mail = await cancelled();
    expect(mail.text).toMatch(/will not take place\.\n\n\S/);
    expect(mail.html).not.toContain("<p></p>");
  });
});
