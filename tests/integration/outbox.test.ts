import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { messages, people } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { outboxMail, outboxPage, putOffMail, tryAgain } from "@/server/services/mailings/outbox";
import { eventAccess } from "@/server/services/ground/access";
import { datesOf } from "@/server/services/planning/dates/load";
import { register } from "@/server/services/way-in/registration";
import {
  addMember,
  addOrganisation,
  addTicket,
  makeEvent,
  makeWorld,
  type MadeEvent,
  type World,
} from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world);
});
afterAll(() => world.close());

async function signUp(email: string): Promise<void> {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  await register(
    world.context,
    { event: row, occurrence: (await datesOf(world.context.db, event.eventId))[0]! },
    { name: "Ines Marl", email, zone: null, hasConsented: true, source: null, answers: {} },
    email,
  );
}
const page = async (before: string | null = null, member = world.owner) =>
  (await outboxPage(world.context, member, before)).lines;

describe("the outbox", () => {
  it("shows a mail once it left, exactly as its recipient has it", async () => {
    await signUp("ines@example.org");
    expect(await page()).toEqual([]);
    await sendDue(world.context);
    const [line] = await page();
    expect(line).toMatchObject({
      kind: "confirmation",
      state: "sent",
      to: "ines@example.org",
      event: "Tides and the saltmarsh",
      subject: "Your ticket: Tides and the saltmarsh",
    });
    const shown = await outboxMail(world.context, world.owner, line!.id);
    const [sent] = world.sent;
    expect({ subject: shown.subject, text: shown.text, html: shown.html, calendar: shown.calendar }).toEqual({
      subject: sent!.subject,
      text: sent!.text,
      html: sent!.html,
      calendar: sent!.calendar,
    });
    expect([shown.messageId, shown.areLinksRedacted]).toEqual([sent!.messageId, false]);
  });

  it("hides personal links from whoever has no right to them, in every part", async () => {
    const crew = await addMember(world.context, world.organisationId, "crew", "Oskar Vell");
    const seat = await addTicket(world, event, "crew", "Oskar Vell", ["questions"]);
    await world.context.db.execute(`update tickets set person_id = '${crew.personId}' where id = '${seat}'`);
    const [line] = await page(null, crew);
    const shown = await outboxMail(world.context, crew, line!.id);
    expect(shown.areLinksRedacted).toBe(true);
    const everything = `${shown.text}${shown.html}${shown.calendar!.content.replaceAll("\r\n ", "")}`;
    expect(everything).toContain("[personal link]");
    expect(everything).not.toMatch(/\/(enter|ticket|reply|unsubscribe)\/a[\w-]{40}/);
  });

  it("belongs to the organisation alone", async () => {
    const [line] = await page();
    const other = await addMember(
      world.context,
      await addOrganisation(world.context, "other.example.org"),
      "owner",
      "Una Other",
    );
    expect(await page(null, other)).toEqual([]);
    await expect(outboxMail(world.context, other, line!.id)).rejects.toMatchObject({ failure: { code: "not-found" } });
    await expect(outboxMail(world.context, world.owner, event.eventId)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
  });

  it("says why a mail did not go, and lets it be tried again once", async () => {
    world.replies.push(550);
    await signUp("away@example.org");
    await sendDue(world.context);
    const failed = (await page()).find((line) => line.to === "away@example.org")!;
    expect(failed).toMatchObject({ state: "failed", note: "refused: 550" });
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, "third.example.org"),
      "owner",
      "Una Third",
    );
    await expect(tryAgain(world.context, stranger, failed.id)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    // whoever tries again vouches for the address: its mark goes
    expect(await tryAgain(world.context, world.owner, failed.id)).toBe(true);
    expect((await world.context.db.select().from(people).where(eq(people.email, "away@example.org")))[0]).toMatchObject(
      { addressFailedAt: null, addressFailedReason: null },
    );
    await sendDue(world.context);
    expect(world.sent.filter((mail) => mail.to.address === "away@example.org")).toHaveLength(1);
    expect(await tryAgain(world.context, world.owner, failed.id)).toBe(false);
    await sendDue(world.context);
    expect(world.sent.filter((mail) => mail.to.address === "away@example.org")).toHaveLength(1);
  });

  it("says what waits, why and until when, while a server takes nothing", async () => {
    world.replies.push(null, 451);
    await signUp("wait1@example.org");
    await signUp("wait2@example.org");
    await sendDue(world.context);
    const waits = await putOffMail(world.context, world.owner);
    expect(waits.map((one) => [one.note, one.count]).sort()).toEqual([
      ["mail server not reached", 1],
      ["put off: 451", 1],
    ]);
    expect(waits.every((one) => one.nextAt > world.clock.now())).toBe(true);
    const other = await addMember(
      world.context,
      await addOrganisation(world.context, "fourth.example.org"),
      "owner",
      "Una Fourth",
    );
    expect(await putOffMail(world.context, other)).toEqual([]);
    world.clock.set(Math.max(...waits.map((one) => one.nextAt)));
    await sendDue(world.context);
    expect(await putOffMail(world.context, world.owner)).toEqual([]);
    expect(world.sent.filter((mail) => mail.to.address.startsWith("wait"))).toHaveLength(2);
  });

  it("is narrowed by words of address, name and event, and by state", async () => {
    const { lines } = await outboxPage(world.context, world.owner, null, { words: "wait1" });
    expect(lines.map((line) => line.to)).toEqual(["wait1@example.org"]);
    expect((await outboxPage(world.context, world.owner, null, { words: "wait1 saltmarsh" })).lines).toHaveLength(1);
    expect((await outboxPage(world.context, world.owner, null, { words: "wait1 moon" })).lines).toEqual([]);
    const failed = await outboxPage(world.context, world.owner, null, { state: "failed" });
    expect(failed.lines.every((line) => line.state === "failed")).toBe(true);
  });

  it("goes back page by page, also through mails of one and the same moment", async () => {
    for (let i = 0; i < 25; i += 1) await signUp(`many${i}@example.org`);
    await sendDue(world.context);
    const seen: string[] = [];
    let next: string | null = null;
    do {
      const one: Awaited<ReturnType<typeof outboxPage>> = await outboxPage(world.context, world.owner, next, {}, 7);
      seen.push(...one.lines.map((line) => line.id));
      next = one.next;
    } while (next);
    const all = await world.context.db.select({ id: messages.id }).from(messages).where(eq(messages.state, "sent"));
    expect(seen.length).toBe(all.length);
    expect(new Set(seen)).toEqual(new Set(all.map((one) => one.id)));
    // what is no place begins anew
    for (const place of ["x", "1_2", "99999999999999999999_x", `${world.clock.now()}_${"z".repeat(36)}`])
      expect((await page(place))[0]!.id).toBe(seen[0]);
  });
});
