import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { minuteMs } from "@/core/time";
import { messages, occurrences, people, tickets } from "@/server/db/schema";
import { saveMailing } from "@/server/services/mailings/compose";
import { sendDue } from "@/server/services/mailings/deliver";
import { sendMailing, stopMailing } from "@/server/services/mailings/send";
import { saveRules } from "@/server/services/organisation/rules";
import { standardRules } from "@/core/organisation";
import { deleteEvent, restoreEvent } from "@/server/services/planning/event-life";
import { loadPlan } from "@/server/services/planning/events";
import { savePlan } from "@/server/services/planning/save-plan";
import { composed, nobodyBut } from "../support/mailing";
import { addTicket, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const note = async (event: MadeEvent, part = {}) => {
  const audience = nobodyBut({ standing: ["registered"] });
  const { id } = await saveMailing(
    world.context,
    world.owner,
    event.eventId,
    null,
    0,
    composed("note", { audience, ...part }),
  );
  await sendMailing(world.context, world.owner, event.eventId, id);
  return id;
};
const stateOf = async (mailingId: string) =>
  (await world.context.db.select().from(messages).where(eq(messages.mailingId, mailingId))).map((row) => row.state);
const change = async (event: MadeEvent, part: object) => {
  const { event: row, plan } = await loadPlan(world.context, world.owner, event.eventId);
  await savePlan(world.context, world.owner, event.eventId, row.version, { ...plan, ...part }, false);
};
const sequenceOf = async (event: MadeEvent) =>
  (await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId)))[0]!.sequence;

describe("mails as they are kept", () => {
  it("hold no access code and no PIN: both are put in when the mail leaves", async () => {
    world.clock.set(startOfTime);
    await saveRules(world.context, world.owner, {
      ...standardRules,
      phoneNumbers: [{ country: "GB", number: "+44 20 7946 0123" }],
    });
    const event = await makeEvent(world, { isPrivate: true, accessCode: "tide-7-<marsh>", soundBy: "both" });
    const ticketId = await addTicket(world, event, "attendee", "Has a code");
    const id = await note(event);
    await sendDue(world.context);
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const pin = world.context.secrets.pinFor(ticketId, ticket!.linkVersion).replace(/(\d{3})(?=\d)/g, "$1 ");
    const [kept] = await world.context.db.select().from(messages).where(eq(messages.mailingId, id));
    expect(JSON.stringify(kept!.rendered)).not.toContain("tide-7");
    expect(JSON.stringify(kept!.rendered)).not.toContain(pin);
    const mail = world.sent.at(-1)!;
    expect(mail.text).toContain("tide-7-<marsh>");
    expect(mail.html).toContain("tide-7-&lt;marsh&gt;");
    expect(mail.text).toContain(pin);
  });

  it("that were put off say the new hour and the new title when they leave at last", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    await addTicket(world, event, "attendee", "Waits for it");
    world.replies.push(451);
    await note(event, { subject: "About {{event}}" });
    await sendDue(world.context);
    await change(event, { title: "The other title", startLocal: "2026-11-26T19:30" });
    world.sent.splice(0);
    world.clock.advance(5 * minuteMs);
    await sendDue(world.context);
    const mail = world.sent.find((one) => one.subject === "About The other title")!;
    expect(mail.text).toContain("19:30");
  });

  it("of a mailing that was stopped stay stopped when the event goes to the bin and comes back; the others are planned again", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    await addTicket(world, event, "attendee", "Anybody");
    const stopped = await note(event);
    await stopMailing(world.context, world.owner, event.eventId, stopped);
    await deleteEvent(world.context, world.owner, event.eventId);
    await restoreEvent(world.context, world.owner, event.eventId);
    expect(await stateOf(stopped)).toEqual(["held"]);
    const reminders = await world.context.db.select().from(messages).where(eq(messages.eventId, event.eventId));
    expect(reminders.filter((row) => row.mailingId === null && row.state === "held")).toEqual([]);
  });
});

describe("SEQUENCE (RFC 5545 §3.8.7.4)", () => {
  it("grows with a new hour and with a new title, once for both, and not with what guests do not see", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const before = await sequenceOf(event);
    await change(event, { houseSize: 90 });
    expect(await sequenceOf(event)).toBe(before);
    await change(event, { title: "Renamed" });
    expect(await sequenceOf(event)).toBe(before + 1);
    await change(event, { title: "Renamed again", startLocal: "2026-11-26T20:00" });
    expect(await sequenceOf(event)).toBe(before + 2);
  });
});

describe("whose mail it is", () => {
  it("is greeted by the name as one speaks it", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const ticketId = await addTicket(world, event, "attendee", "Doe, Jane");
    const [row] = await world.context.db
      .select({ email: people.email })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(tickets.id, ticketId));
    await note(event);
    await sendDue(world.context);
    expect(world.sent.find((mail) => mail.to.address === row!.email)!.text).toContain("Hello Jane Doe,");
  });
});
