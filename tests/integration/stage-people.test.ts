import { randomUUID } from "node:crypto";
import { eq } from "drizzle-orm";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { Duty } from "@/core/people";
import { auditLog, people, tickets } from "@/server/db/schema";
import { callSheet } from "@/server/services/hour/call-sheet";
import { dateOf } from "@/server/services/planning/dates/load";
import { sendDue } from "@/server/services/mailings/deliver";
import { saveRunSheet } from "@/server/services/planning/run-sheets";
import {
  addStagePerson,
  listStagePeople,
  removeStagePerson,
  setDuties,
  setReply,
} from "@/server/services/people/stage-people";
import { inviteStagePeople, previewStageInvitation } from "@/server/services/mailings/stage-invitations";
import { holderOf } from "@/server/services/way-in/tickets";
import { addMember, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world);
});
afterAll(() => world.close());

const add = (name: string, role: "crew" | "panelist" | "interpreter" | "captioner" = "panelist", part: object = {}) => {
  world.clock.advance(1000);
  return addStagePerson(world.context, world.owner, event.eventId, {
    name,
    email: `${name.toLowerCase().replaceAll(" ", ".")}@example.org`,
    role,
    duties: [],
    languages: role === "interpreter" ? ["en", "es"] : null,
    ...part,
  });
};
const list = () => listStagePeople(world.context, world.owner, event.eventId);
const linkIn = (text: string) => /\/enter\/([\w-]+)/.exec(text)![1]!;
const mailOf = (email: string) => world.sent.findLast((mail) => mail.to.address === email)!;

describe("people of the stage", () => {
  it("come onto the list once, with what their role carries and nothing more", async () => {
    await add("Ines Marl");
    await add("Oskar Vell", "crew", { duties: ["questions", "polls"] });
    await add("Wenna Tarrow", "interpreter");
    await add("Rui Lowtide", "captioner", { duties: ["questions"], languages: ["en", "pt"] });
    const rows = await list();
    expect(rows.map((one) => [one.name, one.role, one.duties, one.languages])).toEqual([
      ["Marit Corrant", "producer", [], null],
      ["Ines Marl", "panelist", [], null],
      ["Oskar Vell", "crew", ["questions", "polls"], null],
      ["Wenna Tarrow", "interpreter", [], ["en", "es"]],
      ["Rui Lowtide", "captioner", [], null],
    ]);
    expect(rows.every((one) => one.invitedAt === null || one.role === "producer")).toBe(true);
    await expect(add("Ines Marl")).rejects.toMatchObject({ failure: { code: "address-taken" } });
    expect(world.sent).toEqual([]);
  });

  it("are refused without a name, an address or, for interpreters, a pair", async () => {
    for (const part of [
      { name: " " },
      { email: "nobody" },
      { role: "interpreter", languages: null },
      { role: "interpreter", languages: ["english", "x y"] },
      { role: "attendee" },
      { role: "producer" },
    ]) {
      await expect(
        addStagePerson(world.context, world.owner, event.eventId, {
          name: "N",
          email: `${randomUUID()}@example.org`,
          role: "panelist",
          duties: [],
          languages: null,
          ...part,
        }),
      ).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    }
    expect(await list()).toHaveLength(5);
  });

  it("are invited by an act of its own; the preview says the same with the link taken out", async () => {
    const [ines] = (await list()).filter((one) => one.name === "Ines Marl");
    const preview = await previewStageInvitation(world.context, world.owner, event.eventId, ines!.ticketId);
    expect(preview.text).toContain("[personal link]");
    expect(await inviteStagePeople(world.context, world.owner, event.eventId, [ines!.ticketId])).toBe(1);
    await sendDue(world.context);
    const mail = mailOf("ines.marl@example.org");
    expect(mail.subject).toBe(preview.subject);
    const holder = await holderOf(world.context, linkIn(mail.text));
    expect([holder.person.email, holder.ticket.role]).toEqual(["ines.marl@example.org", "panelist"]);
    expect(mail.text).toContain("17:40");
    expect(await inviteStagePeople(world.context, world.owner, event.eventId, [])).toBe(0);
  });

  it("lose their link for good when they are taken off, also when they come back", async () => {
    const [ines] = (await list()).filter((one) => one.name === "Ines Marl");
    const old = linkIn(mailOf("ines.marl@example.org").text);
    await removeStagePerson(world.context, world.owner, event.eventId, ines!.ticketId);
    await expect(holderOf(world.context, old)).rejects.toMatchObject({ failure: { code: "not-found" } });
    const again = await add("Ines Marl");
    await expect(holderOf(world.context, old)).rejects.toMatchObject({ failure: { code: "not-found" } });
    await inviteStagePeople(world.context, world.owner, event.eventId, [again]);
    world.sent.splice(0);
    world.clock.advance(1000);
    await sendDue(world.context);
    expect((await holderOf(world.context, linkIn(mailOf("ines.marl@example.org").text))).ticket.id).toBe(again);
    const producer = (await list()).find((one) => one.role === "producer")!;
    await expect(removeStagePerson(world.context, world.owner, event.eventId, producer.ticketId)).rejects.toMatchObject(
      { failure: { code: "not-allowed" } },
    );
  });

  it("say yes or no through somebody who writes it down, and take it back", async () => {
    const [oskar] = (await list()).filter((one) => one.name === "Oskar Vell");
    for (const [said, kept] of [
      ["coming", "coming"],
      ["unsure", "unsure"],
      ["perhaps", null],
    ] as const) {
      await setReply(world.context, world.owner, event.eventId, oskar!.ticketId, said);
      expect((await list()).find((one) => one.name === "Oskar Vell")!.reply).toBe(kept);
    }
  });

  it("of the crew hand out no duty that they do not hold", async () => {
    const member = await addMember(world.context, world.organisationId, "crew", "Nuno Fenmoor");
    const [person] = await world.context.db.select().from(people).where(eq(people.id, member.personId));
    const own = await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Nuno Fenmoor",
      email: person!.email!,
      role: "crew",
      duties: ["people", "questions"],
      languages: null,
    });
    const [oskar] = (await list()).filter((one) => one.name === "Oskar Vell");
    const give = (duties: readonly Duty[], ticketId = oskar!.ticketId) =>
      setDuties(world.context, member, event.eventId, ticketId, duties);
    // what Oskar holds already may stay
    await give(["polls", "people"]);
    expect((await list()).find((one) => one.name === "Oskar Vell")!.duties).toEqual(["polls", "people"]);
    await expect(give(["doors-and-curtain"])).rejects.toMatchObject({ failure: { code: "not-allowed" } });
    await expect(give(["doors-and-curtain"], own)).rejects.toMatchObject({ failure: { code: "not-allowed" } });
    const [ines] = (await list()).filter((one) => one.name === "Ines Marl");
    await expect(give(["questions"], ines!.ticketId)).rejects.toMatchObject({ failure: { code: "not-allowed" } });
    const written = await world.context.db.select().from(auditLog).where(eq(auditLog.action, "people.duties"));
    expect(written).toHaveLength(1);
    expect(JSON.stringify(written)).not.toContain("@");
  });
});

describe("the call sheet", () => {
  it("says for each: their own hour, their first segment, their own link", async () => {
    const rows = await list();
    const id = (name: string) => rows.find((one) => one.name === name)!.ticketId;
    await world.context.db
      .update(people)
      .set({ zone: "America/New_York" })
      .where(eq(people.email, "oskar.vell@example.org"));
    const segment = (title: string, leaderTicketId: string | null) => ({
      id: randomUUID(),
      title,
      lengthMinutes: 15,
      fixedStartLocal: null,
      leaderTicketId,
      pollId: null,
    });
    await saveRunSheet(world.context, world.owner, event.eventId, {
      segments: [segment("Welcome", null), segment("The roosts", id("Ines Marl"))],
      polls: [],
      parts: [],
    });
    const date = await dateOf(world.context.db, event.eventId, world.clock.now());
    const lines = await callSheet(world.context, world.owner, event.eventId, date);
    const line = (name: string) => lines.find((one) => one.name === name)!;
    expect(line("Ines Marl")).toMatchObject({
      first: { title: "The roosts", startAt: Date.parse("2026-11-26T18:15:00Z") },
      callAt: Date.parse("2026-11-26T17:40:00Z"),
      zone: "Europe/Lisbon",
    });
    expect(line("Oskar Vell")).toMatchObject({ first: null, zone: "America/New_York" });
    for (const one of lines)
      expect((await holderOf(world.context, one.link!.split("/enter/")[1]!)).ticket.id).toBe(one.ticketId);
    expect(new Set(lines.map((one) => one.link)).size).toBe(lines.length);
  });

  it("hands links to nobody who may not hand them out", async () => {
    const member = await addMember(world.context, world.organisationId, "crew", "Only Polls");
    const [person] = await world.context.db.select().from(people).where(eq(people.id, member.personId));
    await addStagePerson(world.context, world.owner, event.eventId, {
      name: "Only Polls",
      email: person!.email!,
      role: "crew",
      duties: ["polls"],
      languages: null,
    });
    const date = await dateOf(world.context.db, event.eventId, world.clock.now());
    const lines = await callSheet(world.context, member, event.eventId, date);
    expect(lines.length).toBeGreaterThan(3);
    expect(lines.every((one) => one.link === null)).toBe(true);
    expect(await world.context.db.$count(tickets, eq(tickets.eventId, event.eventId))).toBe(lines.length);
  });

  it("the duty people leads to nobody's place beyond one's own: not by a link, not by a new person, not by a duty", async () => {
    const own = await makeEvent(world);
    const { context, owner } = world;
    const member = await addMember(context, world.organisationId, "crew", "Keeps The List");
    const [person] = await context.db.select().from(people).where(eq(people.id, member.personId));
    const at = (name: string, role: string, held: Duty[] = []) => ({
      name,
      email: `${name.toLowerCase().replaceAll(" ", ".")}@example.net`,
      role,
      duties: held,
      languages: null,
    });
    const mine: Duty[] = ["people", "questions"];
    await addStagePerson(context, owner, own.eventId, { ...at("Keeps The List", "crew", mine), email: person!.email! });
    await addStagePerson(context, owner, own.eventId, at("Pia Dunlin", "panelist"));
    const doors = await addStagePerson(
      context,
      owner,
      own.eventId,
      at("Holds The Doors", "crew", ["doors-and-curtain"]),
    );
    await addStagePerson(context, owner, own.eventId, at("Takes Questions", "crew", ["questions"]));
    const date = await dateOf(context.db, own.eventId, world.clock.now());
    const lines = await callSheet(context, member, own.eventId, date);
    const withLink = lines.filter((one) => one.link !== null).map((one) => one.name);
    expect(withLink.sort()).toEqual(["Keeps The List", "Pia Dunlin", "Takes Questions"]);
    // a second self with more in its hands
    const notAllowed = { failure: { code: "not-allowed", action: "event.people" } };
    await expect(
      addStagePerson(context, member, own.eventId, at("Second Self", "crew", ["doors-and-curtain"])),
    ).rejects.toMatchObject(notAllowed);
    const helper = await addStagePerson(context, member, own.eventId, at("A Helper", "crew", ["questions"]));
    await expect(setDuties(context, member, own.eventId, helper, ["questions", "cues"])).rejects.toMatchObject(
      notAllowed,
    );
    // what somebody holds already may stay with them
    await setDuties(context, member, own.eventId, doors, ["doors-and-curtain", "questions"]);
    await setDuties(context, owner, own.eventId, helper, ["questions", "cues"]);
  });
});
