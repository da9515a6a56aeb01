import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { hourMs, minuteMs } from "@/core/time";
import { messages, people, tickets } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { savePlan } from "@/server/services/planning/save-plan";
import { datesOf } from "@/server/services/planning/dates/load";
import { sendDue } from "@/server/services/mailings/deliver";
import { docFromTemplate, nobody } from "@/core/mailings";
import { saveMailing } from "@/server/services/mailings/compose";
import { sendMailing, summariseAudience } from "@/server/services/mailings/send";
import { forged } from "../support/forged";
import { composed } from "../support/mailing";
import { register, unsubscribe, unsubscribePerson } from "@/server/services/way-in/registration";
import { cancelRegistration } from "@/server/services/way-in/registration-changes";
import { holderById, holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { goodPlan, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

async function door(event: MadeEvent) {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  return { event: row, occurrence: (await datesOf(world.context.db, event.eventId))[0]! };
}
const signUp = async (event: MadeEvent, email: string, name = "Ines Marl") =>
  register(
    world.context,
    await door(event),
    { name, email, zone: "Europe/Madrid", hasConsented: true, source: null, answers: {} },
    "local",
  );
const ticketsOf = (event: MadeEvent) =>
  world.context.db
    .select()
    .from(tickets)
    .where(eq(tickets.occurrenceId, event.occurrenceId))
    .orderBy(tickets.registeredAt);
const subjects = () => world.sent.splice(0).map((mail) => `${mail.to.address}: ${mail.subject}`);

describe("registration and its mails", () => {
  it("answers a second registration exactly as the first, with one ticket and the mail again", async () => {
    const event = await makeEvent(world);
    await signUp(event, "ines@example.org");
    world.clock.advance(1000);
    await signUp(event, "INES@example.org", "Somebody Else");
    expect(await ticketsOf(event)).toHaveLength(1);
    await sendDue(world.context);
    const mails = world.sent.splice(0);
    expect(mails.map((mail) => mail.subject)).toEqual([
      "Your ticket: Tides and the saltmarsh",
      "Your ticket: Tides and the saltmarsh",
    ]);
    expect(mails[1]!.to.name).toBe("Ines Marl");
    const link = /https:\/\/stage\.example\.org\/enter\/(\S+)/.exec(mails[0]!.text)![1]!;
    expect((await holderOf(world.context, link)).person.email).toBe("ines@example.org");
    expect(mails[0]!.text).toContain("19:00 in Madrid (18:00 in Lisbon)");
    expect(mails[0]!.calendar!.content.replaceAll("\r\n ", "")).toContain(
      `URL:https://stage.example.org/enter/${link}`,
    );
  });

  it("puts people beyond the limit on the waiting list and moves the longest waiting up", async () => {
    const event = await makeEvent(world, { registrationLimit: 1 });
    for (const name of ["a", "b", "c"]) {
      await signUp(event, `${name}.limit@example.org`);
      world.clock.advance(1000);
    }
    const [first, second] = await ticketsOf(event);
    expect((await ticketsOf(event)).map((ticket) => ticket.status)).toEqual(["registered", "waiting", "waiting"]);
    await sendDue(world.context);
    world.sent.length = 0;
    await cancelRegistration(world.context, await holderById(world.context, first!.id));
    await cancelRegistration(world.context, await holderById(world.context, first!.id));
    expect((await ticketsOf(event)).map((ticket) => ticket.status)).toEqual(["cancelled", "registered", "waiting"]);
    await sendDue(world.context);
    expect(subjects().sort()).toEqual([
      "a.limit@example.org: Cancelled: your ticket for Tides and the saltmarsh",
      "b.limit@example.org: A place has come free: Tides and the saltmarsh",
    ]);
    expect(second!.id).toBe((await ticketsOf(event)).find((ticket) => ticket.status === "registered")!.id);
  });

  it("tells whoever waits the date, their place in the line, and how to leave it", async () => {
    const event = await makeEvent(world, { registrationLimit: 1, startLocal: "2027-01-28T18:00" });
    for (const who of ["has", "first", "second"]) {
      await signUp(event, `${who}.inline@example.org`);
      world.clock.advance(1000);
    }
    await sendDue(world.context);
    const mails = world.sent.splice(0).filter((mail) => mail.subject.startsWith("Waiting list"));
    const of = (who: string) => mails.find((mail) => mail.to.address.startsWith(who))!.text;
    expect(of("first")).toContain("on Thursday, 28 January 2027, 19:00 in Madrid (18:00 in Lisbon)");
    expect([of("first"), of("second")].map((text) => /You are number (\d+) on/.exec(text)![1])).toEqual(["1", "2"]);
    const token = /\/ticket\/([\w-]+)/.exec(of("first"))![1]!;
    await cancelRegistration(world.context, await holderOf(world.context, token));
    expect((await ticketsOf(event)).map((one) => one.status).sort()).toEqual(["cancelled", "registered", "waiting"]);
  });

  it("sends reminders 24 h and 20 min ahead, none that had passed at sign-up, and none to who cancelled", async () => {
    const event = await makeEvent(world, { startLocal: "2026-11-28T18:00" });
    const startAt = (await door(event)).occurrence.startAt;
    await signUp(event, "early@example.org");
    world.clock.set(startAt - 2 * hourMs);
    await signUp(event, "late@example.org");
    await signUp(event, "gone@example.org");
    await cancelRegistration(world.context, await holderById(world.context, (await ticketsOf(event)).at(-1)!.id));
    await sendDue(world.context);
    world.sent.length = 0;
    world.clock.set(startAt - 20 * minuteMs);
    await sendDue(world.context);
    await sendDue(world.context);
    expect(subjects().sort()).toEqual([
      "early@example.org: Tides and the saltmarsh begins in 20 minutes",
      "late@example.org: Tides and the saltmarsh begins in 20 minutes",
    ]);
  });

  it("lays reminders anew when the date moves, and sends one change notice for several edits, only when asked", async () => {
    world.clock.set(Date.parse("2026-11-24T09:00:00Z"));
    const event = await makeEvent(world, { startLocal: "2026-11-30T18:00" });
    await signUp(event, "mover@example.org");
    await sendDue(world.context);
    world.sent.length = 0;
    const version = async () => (await eventAccess(world.context, world.owner, event.eventId)).event.version;
    await savePlan(
      world.context,
      world.owner,
      event.eventId,
      await version(),
      goodPlan({ startLocal: "2026-11-30T19:00" }),
      false,
    );
    world.clock.advance(10 * minuteMs);
    await sendDue(world.context);
    expect(world.sent).toHaveLength(0);
    await savePlan(
      world.context,
      world.owner,
      event.eventId,
      await version(),
      goodPlan({ startLocal: "2026-11-30T20:00" }),
      true,
    );
    world.clock.advance(2 * minuteMs);
    await savePlan(
      world.context,
      world.owner,
      event.eventId,
      await version(),
      goodPlan({ startLocal: "2026-11-30T21:00" }),
      true,
    );
    world.clock.advance(6 * minuteMs);
    await sendDue(world.context);
    const [notice, ...more] = world.sent.splice(0).filter((mail) => mail.to.address === "mover@example.org");
    expect(more).toHaveLength(0);
    expect(notice!.subject).toBe("New time: Tides and the saltmarsh");
    expect(notice!.calendar!.content).toContain("SEQUENCE:3");
    const due = await world.context.db
      .select({ at: messages.dueAt })
      .from(messages)
      .where(eq(messages.occurrenceId, event.occurrenceId));
    expect(due.map((row) => new Date(row.at).toISOString())).toContain("2026-11-30T20:40:00.000Z");
  });

  it("refuses to overwrite what somebody else saved", async () => {
    const event = await makeEvent(world);
    await savePlan(world.context, world.owner, event.eventId, 1, goodPlan({ title: "First" }), false);
    await expect(
      savePlan(world.context, world.owner, event.eventId, 1, goodPlan({ title: "Second" }), false),
    ).rejects.toMatchObject({ failure: { code: "edited-meanwhile" } });
  });

  it("puts mail off on 4xx with the same Message-ID, and stops on 5xx", async () => {
    const event = await makeEvent(world);
    await signUp(event, "slow@example.org");
    world.replies.push(451, null, 250);
    const row = async () =>
      (await world.context.db.select().from(messages).where(eq(messages.occurrenceId, event.occurrenceId))).find(
        (one) => one.kind === "confirmation",
      )!;
    await sendDue(world.context);
    expect(await row()).toMatchObject({ state: "planned", attempts: 1 });
    world.clock.advance(2 * minuteMs);
    await sendDue(world.context);
    world.clock.advance(3 * minuteMs);
    await sendDue(world.context);
    expect(await row()).toMatchObject({ state: "sent", attempts: 3 });
    expect(world.sent.splice(0).map((mail) => mail.messageId)).toEqual([(await row()).messageId]);
    await signUp(event, "refused@example.org");
    world.replies.push(550);
    await sendDue(world.context);
    world.clock.advance(hourMs);
    expect(await sendDue(world.context)).toBe(0);
  });

  it("invites a pasted list once, each alone, and refuses words without the join block", async () => {
    const event = await makeEvent(world);
    const words = { subject: "Come and see: {{event}}", body: "Hello {{name}}\n\n{{join_details}}" };
    const pasted = "Rui <rui@example.org>, tora@example.org\nrui@example.org\nrubbish";
    const mailing = (body: string) =>
      composed("invitation", {
        subject: words.subject,
        doc: docFromTemplate(body) as never,
        audience: { ...nobody, pasted } as never,
      });
    await expect(
      saveMailing(world.context, world.owner, event.eventId, null, 0, mailing("Hello")),
    ).rejects.toMatchObject({ failure: { code: "join-block-missing" } });
    const { id } = await saveMailing(world.context, world.owner, event.eventId, null, 0, mailing(words.body));
    expect(world.sent).toHaveLength(0);
    expect(
      await summariseAudience(world.context, world.owner, event.eventId, "invitation", { ...nobody, pasted }),
    ).toMatchObject({ count: 2, twice: 1, unread: ["rubbish"] });
    expect(await sendMailing(world.context, world.owner, event.eventId, id)).toMatchObject({ planned: 2 });
    expect(await sendMailing(world.context, world.owner, event.eventId, id)).toMatchObject({ planned: 0 });
    await sendDue(world.context);
    const mails = world.sent.splice(0);
    expect(mails.map((mail) => mail.to.address).sort()).toEqual(["rui@example.org", "tora@example.org"]);
    expect(mails[0]!.text).not.toContain(mails[1]!.to.address);
    expect(mails[0]!.text).toMatch(/front\/[\w-]+\?via=invitation&for=\S+/);
    expect(mails[0]!.unsubscribeUrl).toContain("/unsubscribe/");
  });

  it("carries a 200-character name, right-to-left text and emoji through mail, calendar file and table", async () => {
    const event = await makeEvent(world, {
      title: "\u0627\u0644\u0645\u062f\u0651 \u0648\u0627\u0644\u062c\u0632\u0631 🐦\u200d⬛",
    });
    const name = `${"\u05e9\u05dc\u05d5\u05dd 👩🏽\u200d🔬 ".repeat(12)}${"x".repeat(200)}`.slice(0, 199) + "z";
    await signUp(event, "long@example.org", name);
    await sendDue(world.context);
    const mail = world.sent.splice(0).find((one) => one.to.address === "long@example.org")!;
    expect(mail.to.name).toBe(name);
    expect(mail.text).toContain(name);
    const unfolded = mail.calendar!.content.replaceAll("\r\n ", "");
    expect(unfolded).toContain(`CN="${name}"`);
    expect(unfolded).toContain("SUMMARY:\u0627\u0644\u0645\u062f");
    await expect(signUp(event, "longer@example.org", "x".repeat(201))).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
  });

  it("gives a revoked, forged or made-up link the same answer", async () => {
    const event = await makeEvent(world);
    await signUp(event, "revoked@example.org");
    const [ticket] = await ticketsOf(event);
    const token = tokenOf(world.context, ticket!);
    await world.context.db.update(tickets).set({ linkVersion: 2 }).where(eq(tickets.id, ticket!.id));
    for (const bad of [token, forged(token), "nonsense", `a${"x".repeat(45)}`]) {
      await expect(holderOf(world.context, bad)).rejects.toMatchObject({
        failure: { code: "not-found", what: "ticket" },
      });
    }
  });

  it("unsubscribes by the person's own link alone: forged ones, a ticket's and an erased person's change nothing", async () => {
    const event = await makeEvent(world);
    await signUp(event, "enough@example.org");
    const [ticket] = await ticketsOf(event);
    const { tokenFor } = world.context.secrets;
    const link = tokenFor(ticket!.personId, 0);
    const stateOf = async () =>
      (await world.context.db.select().from(people).where(eq(people.id, ticket!.personId)))[0]!;
    const others = [
      "",
      "nonsense",
      forged(link),
      `${link}A`,
      link.toLowerCase(),
      tokenFor(ticket!.personId, 1),
      tokenFor(ticket!.id, 0),
      tokenFor(event.eventId, 0),
    ];
    for (const token of others) {
      await expect(unsubscribePerson(world.context, token)).rejects.toMatchObject({ failure: { code: "not-found" } });
      await expect(unsubscribe(world.context, token)).rejects.toMatchObject({ failure: { code: "not-found" } });
    }
    expect((await stateOf()).unsubscribedAt).toBeNull();
    // showing the page changes nothing: mail scanners follow links
    expect(await unsubscribePerson(world.context, link)).toBe(ticket!.personId);
    expect((await stateOf()).unsubscribedAt).toBeNull();
    await unsubscribe(world.context, link);
    await unsubscribe(world.context, link);
    expect((await stateOf()).unsubscribedAt).not.toBeNull();
    await world.context.db
      .update(people)
      .set({ erasedAt: world.clock.now(), name: null, email: null })
      .where(eq(people.id, ticket!.personId));
    await expect(unsubscribe(world.context, link)).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("one address is written to so often at one event, and so often in all", async () => {
    const refusedOf = async (event: MadeEvent, n: number) => {
      const outcomes = await Promise.allSettled(Array.from({ length: n }, () => signUp(event, "flood@example.org")));
      return outcomes.filter((one) => one.status === "rejected").length;
    };
    const first = await makeEvent(world);
    expect(await refusedOf(first, 7)).toBe(2);
    // seven tries counted: five more, wherever
    expect(await refusedOf(await makeEvent(world), 4)).toBe(0);
    expect(await refusedOf(await makeEvent(world), 4)).toBe(3);
  });
  it("a campus behind one address may register; an hour later the count begins again", async () => {
    const event = await makeEvent(world);
    const all = await Promise.allSettled(
      Array.from({ length: 120 }, (_, i) => signUp(event, `student${i}@campus.example.org`)),
    );
    expect(all.filter((one) => one.status === "rejected")).toEqual([]);
    await Promise.allSettled(Array.from({ length: 6 }, () => signUp(event, "again@example.org")));
    await expect(signUp(event, "again@example.org")).rejects.toMatchObject({ failure: { code: "too-many-tries" } });
    world.clock.advance(hourMs);
    await signUp(event, "again@example.org");
  });
});
