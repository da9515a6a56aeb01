import { randomUUID } from "node:crypto";
import { and, eq } from "drizzle-orm";
import ICAL from "ical.js";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { docFromTemplate, nobody } from "@/core/mailings";
import { dayMs, hourMs, minuteMs } from "@/core/time";
import {
  contactGroups,
  events,
  groupMembers,
  invitees,
  mailings,
  messages,
  occurrences,
  people,
  tickets,
} from "@/server/db/schema";
import { personByEmail } from "@/server/services/ground/people-records";
import { receiveMail } from "@/server/services/mailings/incoming-mail";
import { sendDue } from "@/server/services/mailings/deliver";
import { saveKindWords, saveMailing } from "@/server/services/mailings/compose";
import { previewMailing, testMailing } from "@/server/services/mailings/preview";
import {
  goOnMailing,
  remindUnanswered,
  sendMailing,
  stopMailing,
  summariseAudience,
} from "@/server/services/mailings/send";
import { setReminders, trackOf } from "@/server/services/mailings/track";
import { answerByLink, askedBy } from "@/server/services/way-in/replies";
import { countTry } from "@/server/services/ground/tries";
import { eventFile } from "@/server/services/afterwards/exports";
import { deliveryReport } from "@/stand-ins/delivery-report";
import { forged } from "../support/forged";
import { held } from "../support/held";
import { composed } from "../support/mailing";
import { findContacts, readAudience } from "@/server/services/mailings/read-audience";
import { namesOfContacts } from "@/server/services/people/contacts/find";
import { addPerson, addTicket, makeEvent, makeWorld, type MadeEvent, type World, stayed } from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  await sendDue(world.context);
  world.sent.splice(0);
  event = await makeEvent(world);
});

const person = (email: string, name = email.split("@")[0]!) =>
  personByEmail(world.context, world.context.db, world.organisationId, { name, email });
const count = (audience: object, kind: "invitation" | "note" = "invitation") =>
  summariseAudience(world.context, world.owner, event.eventId, kind, { ...nobody, ...audience });
const keep = (kind: "invitation" | "note" | "follow-up-came" | "follow-up-missed", part = {}) =>
  saveMailing(world.context, world.owner, event.eventId, null, 0, composed(kind, part));
async function invite(pasted: string): Promise<string> {
  const { id } = await keep("invitation", { audience: { ...nobody, pasted } as never });
  await sendMailing(world.context, world.owner, event.eventId, id);
  await sendDue(world.context);
  return id;
}
const mailTo = (address: string) => world.sent.find((mail) => mail.to.address === address)!;
const tokenIn = (text: string) => /\/reply\/([\w-]+)/.exec(text)![1]!;
const inviteeOf = async (email: string) =>
  (
    await world.context.db
      .select({ reply: invitees.reply })
      .from(invitees)
      .innerJoin(people, eq(people.id, invitees.personId))
      .where(and(eq(people.email, email), eq(invitees.eventId, event.eventId)))
  )[0]!;

describe("whom a mailing reaches", () => {
  it("adds groups, people, standings, earlier events and pasted words up, each person once, and says who is left out", async () => {
    const earlier = await makeEvent(world);
    const [grouped, gone, failed, single] = [
      await person("grouped@example.org"),
      await person("gone@example.org"),
      await person("failed@example.org"),
      await person("single@example.org"),
    ];
    const group = { id: randomUUID(), organisationId: world.organisationId, name: `G ${event.eventId}` };
    await world.context.db.insert(contactGroups).values(group);
    await world.context.db.insert(groupMembers).values(
      [grouped, gone, failed].map((one) => ({
        groupId: group.id,
        personId: one.id,
        organisationId: world.organisationId,
      })),
    );
    await world.context.db.update(people).set({ unsubscribedAt: 1 }).where(eq(people.id, gone.id));
    await world.context.db.update(people).set({ addressFailedAt: 1 }).where(eq(people.id, failed.id));
    const pastTicket = await addTicket(world, earlier, "attendee", "Came before");
    const { raisedAt } = await held(world, earlier.occurrenceId);
    await stayed(world, earlier.occurrenceId, pastTicket, { fromAt: raisedAt, toAt: raisedAt + minuteMs });
    await addTicket(world, earlier, "attendee", "Missed it");
    const summary = await count({
      groups: [group.name],
      personIds: [single.id, grouped.id],
      past: [{ eventId: earlier.eventId, who: "came" }],
      pasted: "grouped@example.org, New One <new@example.org>, gibberish",
    });
    expect(summary).toMatchObject({ count: 4, twice: 2, unsubscribed: 1, failed: 1, unread: ["gibberish"] });
    expect(summary.first.map((one) => one.name).sort()).toEqual(["Came before", "New One", "grouped", "single"]);
    await addTicket(world, event, "attendee", "Has a ticket");
    expect(await count({ standing: ["registered"] })).toMatchObject({ count: 0, already: 1 });
    expect(await count({ standing: ["registered"] }, "note")).toMatchObject({ count: 1 });
  });

  it("reads a list with a tenth of rubbish: 900 of 1,000 lines", async () => {
    const lines = Array.from({ length: 1000 }, (_, i) =>
      i % 10 === 0 ? `no address ${i}` : `Person ${i} <p${i}@example.org>`,
    );
    expect(await count({ pasted: lines.join("\n") })).toMatchObject({ count: 900 });
  });
});

describe("keeping, trying and sending are acts apart", () => {
  it("refuses unknown fields with their place, a lost join block, and line breaks in a subject's value", async () => {
    await expect(keep("invitation", { doc: docFromTemplate("Hello") as never })).rejects.toMatchObject({
      failure: { code: "join-block-missing" },
    });
    await expect(keep("note", { subject: "{{nmae}}" })).rejects.toMatchObject({
      failure: { code: "unknown-merge-field", field: "nmae", line: 1 },
    });
    const preview = await previewMailing(
      world.context,
      world.owner,
      event.eventId,
      composed("note", { subject: "One\r\nBcc: all@example.org" }),
      null,
    );
    expect(preview.subject).not.toMatch(/[\r\n]/);
  });

  it("keeps script in no part of a mail", async () => {
    const doc = [
      {
        type: "paragraph",
        words: [{ type: "text", text: "<script>alert(1)</script>", href: 'https://example.org/"onx=' }],
      },
      { type: "join-details" },
    ];
    const preview = await previewMailing(
      world.context,
      world.owner,
      event.eventId,
      composed("invitation", { doc: doc as never }),
      null,
    );
    expect(preview.html).not.toContain("<script>");
    expect(preview.html).not.toContain('"onx');
    const bad = [
      { type: "paragraph", words: [{ type: "text", text: "x", href: "javascript:alert(1)" }] },
      { type: "join-details" },
    ];
    await expect(keep("invitation", { doc: bad as never })).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
  });

  it("sends a test to oneself beside every plan, previews in the reader's zone, and names the sender of the mailing", async () => {
    await testMailing(world.context, world.owner, event.eventId, composed("invitation"));
    expect(world.sent).toHaveLength(1);
    expect(world.sent[0]!.subject).toMatch(/^\[Test\]/);
    expect(await world.context.db.$count(messages, eq(messages.eventId, event.eventId))).toBe(0);
    const far = await person("far@example.org");
    await world.context.db.update(people).set({ zone: "Asia/Kathmandu" }).where(eq(people.id, far.id));
    expect(
      (await previewMailing(world.context, world.owner, event.eventId, composed("invitation"), far.id)).text,
    ).toContain("Kathmandu");
    const { id } = await keep("invitation", {
      audience: { ...nobody, pasted: "far@example.org" } as never,
      senderName: "Wenna of the shore",
      replyTo: "wenna@example.org",
    });
    world.sent.splice(0);
    await sendMailing(world.context, world.owner, event.eventId, id);
    await sendDue(world.context);
    expect(world.sent[0]).toMatchObject({
      from: { name: "Wenna of the shore" },
      replyTo: "wenna@example.org",
      unsubscribeUrl: expect.stringContaining("/unsubscribe/"),
    });
  });

  it("lets the second of two editors know, and loses neither's words", async () => {
    const { id, version } = await keep("note");
    await saveMailing(world.context, world.owner, event.eventId, id, version, composed("note", { subject: "First" }));
    await expect(
      saveMailing(world.context, world.owner, event.eventId, id, version, composed("note", { subject: "Second" })),
    ).rejects.toMatchObject({ failure: { code: "edited-meanwhile", currentVersion: version + 1 } });
    expect((await world.context.db.select().from(mailings).where(eq(mailings.id, id)))[0]!.subject).toBe("First");
  });

  it("plans nobody twice when two press at once", async () => {
    const { id } = await keep("invitation", {
      audience: { ...nobody, pasted: Array.from({ length: 30 }, (_, i) => `two${i}@example.org`).join("\n") } as never,
    });
    const pressed = await Promise.all([
      sendMailing(world.context, world.owner, event.eventId, id),
      sendMailing(world.context, world.owner, event.eventId, id),
    ]);
    expect(pressed.map((one) => one.planned).sort((a, b) => a - b)).toEqual([0, 30]);
  });

  it("stops what has not left, and goes on where it stood", async () => {
    const { id } = await keep("invitation", {
      audience: { ...nobody, pasted: Array.from({ length: 12 }, (_, i) => `stop${i}@example.org`).join("\n") } as never,
    });
    await sendMailing(world.context, world.owner, event.eventId, id);
    expect(await stopMailing(world.context, world.owner, event.eventId, id)).toBe(12);
    await sendDue(world.context);
    expect(world.sent).toHaveLength(0);
    expect(await goOnMailing(world.context, world.owner, event.eventId, id)).toBe(12);
    await sendDue(world.context);
    expect(new Set(world.sent.map((mail) => mail.to.address)).size).toBe(12);
  });
});

describe("replies", () => {
  it("by the link: kept, changeable, and a yes registers; the file carries them", async () => {
    await invite("yes@example.org, no@example.org, quiet@example.org");
    const [yes, no] = [tokenIn(mailTo("yes@example.org").text), tokenIn(mailTo("no@example.org").text)];
    expect((await askedBy(world.context, yes)).reply).toBeNull();
    expect(await answerByLink(world.context, yes, "coming", "t")).toBe("registered");
    expect(await answerByLink(world.context, no, "unsure", "t")).toBe("kept");
    expect(await answerByLink(world.context, no, "not-coming", "t")).toBe("kept");
    await sendDue(world.context);
    expect(world.sent.some((mail) => mail.to.address === "yes@example.org" && mail.text.includes("/ticket/"))).toBe(
      true,
    );
    const csv = await eventFile(world.context, world.owner, event.eventId, "invitees");
    expect(csv).toMatch(/yes@example\.org,coming,.*,yes\r\n/);
    expect(csv).toMatch(/no@example\.org,not-coming,.*,no\r\n/);
    expect(csv).toMatch(/quiet@example\.org,,[^,]+,,no\r\n/);
    world.sent.splice(0);
    expect(await remindUnanswered(world.context, world.owner, event.eventId)).toMatchObject({ planned: 1 });
    expect(await remindUnanswered(world.context, world.owner, event.eventId)).toMatchObject({ planned: 0 });
    await sendDue(world.context);
    expect(world.sent.map((mail) => mail.to.address)).toEqual(["quiet@example.org"]);
    for (const other of ["x", world.context.secrets.tokenFor(event.eventId, 0), forged(yes)])
      await expect(askedBy(world.context, other)).rejects.toMatchObject({ failure: { code: "not-found" } });
    await expect(answerByLink(world.context, yes, "maybe", "t")).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
  });

  it("by the link: a yes that is refused its place leaves no yes behind, and a date that is over takes none", async () => {
    await invite("much@example.org, late@example.org");
    const much = tokenIn(mailTo("much@example.org").text);
    // the address's mails of this quarter hour are used up
    for (let i = 0; i < 20; i += 1)
      await countTry(world.context, "mail-to-address", "much@example.org").catch(() => {});
    await expect(answerByLink(world.context, much, "coming", "t")).rejects.toMatchObject({
      failure: { code: "too-many-tries" },
    });
    expect((await askedBy(world.context, much)).reply).toBeNull();
    const late = tokenIn(mailTo("late@example.org").text);
    await world.context.db.update(occurrences).set({ phase: "ended" }).where(eq(occurrences.id, event.occurrenceId));
    await expect(answerByLink(world.context, late, "coming", "t")).rejects.toMatchObject({
      failure: { code: "wrong-state" },
    });
    expect((await askedBy(world.context, late)).reply).toBeNull();
  });

  /** RFC 5546 §4.2.2's example of a reply, with this event's own UID and invented people. */
  const replyMail = (
    from: string,
    attendee: string,
    uid: string,
    partstat: string,
    { to = "events@brinewold.example.org", sequence = 0, stamp = "20261124T100000Z", head = [] as string[] } = {},
  ) =>
    new TextEncoder().encode(
      [
        ...head,
        `From: ${from}`,
        `To: ${to}`,
        "Subject: Accepted",
        "MIME-Version: 1.0",
        "Content-Type: text/calendar; method=REPLY; charset=utf-8",
        "",
        "BEGIN:VCALENDAR",
        "PRODID:-//Example/ExampleCalendarClient//EN",
        "METHOD:REPLY",
        "VERSION:2.0",
        "BEGIN:VEVENT",
        `ATTENDEE;PARTSTAT=${partstat}:mailto:${attendee}`,
        "ORGANIZER:mailto:events@brinewold.example.org",
        `UID:${uid}`,
        `SEQUENCE:${sequence}`,
        "REQUEST-STATUS:2.0;Success",
        `DTSTAMP:${stamp}`,
        "END:VEVENT",
        "END:VCALENDAR",
        "",
      ].join("\r\n"),
    );

  it("a mail whose ids cannot be ours is left alone, whatever stands in it", async () => {
    for (const uid of ["a\u0000b", "x".repeat(5000), "\u0001"]) {
      const mail = replyMail("file@example.org", "file@example.org", uid, "ACCEPTED");
      expect(await receiveMail(world.context, mail)).toBe("other");
    }
    const noise = Uint8Array.from({ length: 4000 }, (_, i) => (i * 7919) % 256);
    expect(await receiveMail(world.context, noise)).toBe("other");
  });

  /** What the calendar file of an invitation says, and how one answers it. */
  async function asked(email: string) {
    await invite(email);
    const file = mailTo(email).calendar!;
    expect(file.method).toBe("REQUEST");
    const entry = new ICAL.Component(ICAL.parse(file.content) as never).getFirstSubcomponent("vevent")!;
    expect(entry.getFirstProperty("attendee")!.getParameter("partstat")).toBe("NEEDS-ACTION");
    const to = String(entry.getFirstPropertyValue("organizer")).replace("mailto:", "");
    const uid = String(entry.getFirstPropertyValue("uid"));
    const send = (partstat: string, more = {}, from = email, attendee = email) =>
      receiveMail(world.context, replyMail(from, attendee, uid, partstat, { to, ...more }));
    return { to, uid, send };
  }

  it("by a METHOD:REPLY file, at the secret address of the mail that asked, for its own recipient alone", async () => {
    const { to, uid, send } = await asked("file@example.org");
    expect(to).toMatch(/^events\+[0-9a-z]{41}@brinewold\.example\.org$/);
    expect(mailTo("file@example.org").reportTo).toBe(to);
    expect(await send("TENTATIVE")).toBe("reply");
    expect(await inviteeOf("file@example.org")).toEqual({ reply: "unsure" });
    const stranger = ["stranger@example.org", "stranger@example.org"] as const;
    expect(await send("ACCEPTED", {}, ...stranger)).toBe("not-invited");
    // who knows the entry and forges the sender has not had the mail
    const forged = { to: "events@brinewold.example.org" };
    expect(await send("ACCEPTED", forged)).toBe("not-invited");
    expect(await send("ACCEPTED", { to: to.replace(/.(?=@)/, "0").replace(/.(?=.@)/, "1") })).toBe("not-invited");
    const other = replyMail("file@example.org", "file@example.org", "unknown@example.org", "ACCEPTED", { to });
    expect(await receiveMail(world.context, other)).toBe("not-invited");
    expect(uid).toContain("@");
    expect(await inviteeOf("file@example.org")).toEqual({ reply: "unsure" });
    for (const rubbish of ["", "Subject: hello\r\n\r\nhello", "Content-Type: text/calendar\r\n\r\nBEGIN:VCALENDAR"])
      expect(await receiveMail(world.context, new TextEncoder().encode(rubbish))).toBe("other");
  });

  it("at the plain address only where our own receiving server vouches for the sender (RFC 8601)", async () => {
    const { send } = await asked("vouched@example.org");
    const plain = "events@brinewold.example.org";
    const said = (id: string, dmarc: string) => [`Authentication-Results: ${id}; spf=pass; dmarc=${dmarc}`];
    Object.assign(world.context.environment, { STAGE_CALL_AUTHSERV_ID: "mx.brinewold.example.org" });
    expect(await send("ACCEPTED", { to: plain, head: said("mx.elsewhere.example", "pass") })).toBe("not-invited");
    expect(await send("ACCEPTED", { to: plain, head: said("mx.brinewold.example.org", "none") })).toBe("not-invited");
    expect(await send("TENTATIVE", { to: plain, head: said("mx.brinewold.example.org", "pass") })).toBe("reply");
    // and one that it found forged counts nowhere
    expect(await send("DECLINED", { head: said("mx.brinewold.example.org", "fail") })).toBe("not-invited");
    Object.assign(world.context.environment, { STAGE_CALL_AUTHSERV_ID: undefined });
    expect(await inviteeOf("vouched@example.org")).toEqual({ reply: "unsure" });
  });

  it("is a registration where it says yes, and gives the place back where it says no", async () => {
    const { send } = await asked("calendar@example.org");
    const own = async () =>
      (
        await world.context.db
          .select({ status: tickets.status })
          .from(tickets)
          .innerJoin(people, eq(people.id, tickets.personId))
          .where(and(eq(people.email, "calendar@example.org"), eq(tickets.eventId, event.eventId)))
      ).map((row) => row.status);
    expect(await send("ACCEPTED", { stamp: "20261124T100000Z" })).toBe("reply");
    expect(await own()).toEqual(["registered"]);
    // an older one that comes late, and one of an earlier version of the entry, change nothing
    expect(await send("DECLINED", { stamp: "20261124T080000Z" })).toBe("overtaken");
    await world.context.db.update(occurrences).set({ sequence: 2 }).where(eq(occurrences.id, event.occurrenceId));
    expect(await send("DECLINED", { stamp: "20261124T110000Z", sequence: 1 })).toBe("overtaken");
    expect(await own()).toEqual(["registered"]);
    expect(await send("DECLINED", { stamp: "20261124T110000Z", sequence: 2 })).toBe("reply");
    expect(await own()).toEqual(["cancelled"]);
  });

  it("where questions must be answered first, a yes leads to the form: on the page, and by mail after a calendar's", async () => {
    const field = { id: "site", label: "Which site?", kind: "short" as const, isRequired: true, options: [] };
    await world.context.db
      .update(events)
      .set({ formFields: [field] })
      .where(eq(events.id, event.eventId));
    const { send } = await asked("asks@example.org");
    const token = tokenIn(mailTo("asks@example.org").text);
    expect(await answerByLink(world.context, token, "coming", "t")).toBe("questions");
    world.sent.splice(0);
    expect(await send("ACCEPTED", { stamp: "20261124T230000Z" })).toBe("reply");
    await sendDue(world.context);
    expect(mailTo("asks@example.org").text).toContain("/front/");
  });
});

describe("mail that comes back (RFC 3464)", () => {
  it("marks the address with what was said, for our own messages alone", async () => {
    await invite("lost@example.org");
    const sent = mailTo("lost@example.org");
    const original = `Message-ID: ${sent.messageId}\r\nTo: lost@example.org\r\n\r\nwords`;
    const report = (sender: string) => receiveMail(world.context, deliveryReport("lost@example.org", original, sender));
    // whoever saw the mail knows its Message-ID: that alone marks nobody
    expect(await report("events@brinewold.example.org")).toBe("unknown-bounce");
    expect(await report(sent.reportTo!)).toBe("bounce");
    const [row] = await world.context.db.select().from(people).where(eq(people.email, "lost@example.org"));
    expect(row).toMatchObject({ addressFailedReason: "smtp; 550 5.1.1 no such mailbox" });
    expect(await count({ pasted: "lost@example.org" })).toMatchObject({ count: 0, failed: 1 });
  });
});

describe("the track", () => {
  it("moves reminders for everybody registered, by instants; takes an event's own words for a kind", async () => {
    await addTicket(world, event, "attendee", "Reminded");
    expect(await setReminders(world.context, world.owner, event.eventId, [60, 60, 2880])).toEqual([2880, 60]);
    const [date] = await world.context.db.select().from(occurrences).where(eq(occurrences.id, event.occurrenceId));
    const planned = await world.context.db
      .select()
      .from(messages)
      .where(and(eq(messages.eventId, event.eventId), eq(messages.kind, "reminder")))
      .orderBy(messages.plannedDueAt);
    expect(planned.map((one) => date!.startAt - one.plannedDueAt)).toEqual([2 * dayMs, hourMs]);
    const track = await trackOf(world.context, world.owner, event.eventId, date!);
    expect(track.filter((mark) => mark.kind === "reminder").map((mark) => [mark.key, mark.counts])).toEqual([
      ["reminder:2880", { planned: 1 }],
      ["reminder:60", { planned: 1 }],
    ]);
    await expect(setReminders(world.context, world.owner, event.eventId, [1])).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
    await saveKindWords(world.context, world.owner, event.eventId, "reminder", {
      subject: "Boots on",
      doc: docFromTemplate("Soon.\n\n{{join_details}}"),
    });
    world.clock.set(date!.startAt - 59 * minuteMs);
    await sendDue(world.context);
    expect(world.sent.map((mail) => mail.subject)).toContain("Boots on");
    world.clock.set(Date.parse("2026-11-24T09:00:00Z"));
  });
});

describe("whom a mailing goes to, read before it goes", () => {
  const contact = async (name: string, email: string, tags: readonly string[]) => {
    const id = await addPerson(world.context, world.organisationId, name, email);
    await world.context.db
      .update(people)
      .set({ tags: [...tags] })
      .where(eq(people.id, id));
    return id;
  };

  it("takes tags and single contacts, and leaves out whoever is taken out by hand, with the reason for each", async () => {
    const event = await makeEvent(world, { startLocal: "2027-01-20T18:00" });
    await contact("Änne Rail", "anne.rail@example.org", ["rail", "coast"]);
    await contact("Bo Rail", "bo.rail@example.org", ["rail"]);
    const single = await contact("Una Crake", "una.crake@example.org", []);
    const gone = await contact("Wants None", "wants.none@example.org", ["rail"]);
    await world.context.db.update(people).set({ unsubscribedAt: world.clock.now() }).where(eq(people.id, gone));
    const audience = {
      ...nobody,
      tags: ["rail"],
      personIds: [single],
      except: ["BO.rail@example.org", "new@example.org"],
      pasted: "new@example.org\nfresh@example.org",
    };
    const read = (words: string) => readAudience(world.context, world.owner, event.eventId, "note", audience, words);
    const list = await read("");
    expect(list.people.map((one) => one.email)).toEqual([
      "fresh@example.org",
      "anne.rail@example.org",
      "una.crake@example.org",
    ]);
    expect(list.leftOut.map((one) => [one.email, one.why]).sort()).toEqual([
      ["bo.rail@example.org", "by-hand"],
      ["new@example.org", "by-hand"],
      ["wants.none@example.org", "unsubscribed"],
    ]);
    expect(await read("rail anne")).toMatchObject({
      total: 3,
      people: [{ email: "anne.rail@example.org" }],
      leftOut: [],
    });
    const summary = await summariseAudience(world.context, world.owner, event.eventId, "note", audience);
    expect(summary).toMatchObject({ count: 3, byHand: 2, unsubscribed: 1 });
    expect(await findContacts(world.context, world.owner, event.eventId, "crake una")).toEqual([
      { id: single, name: "Una Crake", email: "una.crake@example.org" },
    ]);
    expect(await findContacts(world.context, world.owner, event.eventId, "c")).toEqual([]);
    expect(await namesOfContacts(world.context, world.organisationId, [single])).toHaveLength(1);
  });
});
