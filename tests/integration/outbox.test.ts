import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { messages, people } from "@/server/db/schema";
import { sendDue, tryAgain } from "@/server/services/mail/deliver";
import { outboxMail, outboxPage } from "@/server/services/outbox";
import { eventAccess } from "@/server/services/access";
import { datesOf } from "@/server/services/dates/load";
import { register } from "@/server/services/registration";
import { addMember, addOrganisation, addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world);
});
afterAll(() => world.close());

async function signUp(email: string): Promise<void> {
  const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
  await register(world.context, { event: row, occurrence: (await datesOf(world.context.db, event.eventId))[0]! }, { name: "Ines Marl", email, zone: null, hasConsented: true, source: null, answers: {} }, email);
}
const page = (before: number | null = null, member = world.owner) => outboxPage(world.context, member, before);

describe("the outbox", () => {
  it("shows a mail once it left, exactly as its recipient has it", async () => {
    await signUp("ines@example.org");
    expect(await page()).toEqual([]);
    await sendDue(world.context);
    const [line] = await page();
    expect(line).toMatchObject({ kind: "confirmation", state: "sent", to: "ines@example.org", event: "Tides and the saltmarsh", subject: "Your ticket: Tides and the saltmarsh" });
    const shown = await outboxMail(world.context, world.owner, line!.id);
    const [sent] = world.sent;
    expect({ subject: shown.subject, text: shown.text, html: shown.html, calendar: shown.calendar }).toEqual({ subject: sent!.subject, text: sent!.text, html: sent!.html, calendar: sent!.calendar });
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
    const other = await addMember(world.context, await addOrganisation(world.context, "other.example.org"), "owner", "Una Other");
    expect(await page(null, other)).toEqual([]);
    await expect(outboxMail(world.context, other, line!.id)).rejects.toMatchObject({ failure: { code: "not-found" } });
    await expect(outboxMail(world.context, world.owner, event.eventId)).rejects.toMatchObject({ failure: { code: "not-found" } });
  });

  it("says why a mail did not go, and lets it be tried again once", async () => {
    world.replies.push(550);
    await signUp("away@example.org");
    await sendDue(world.context);
    const failed = (await page()).find((line) => line.to === "away@example.org")!;
    expect(failed).toMatchObject({ state: "failed", note: "refused: 550" });
    const other = await addOrganisation(world.context, "third.example.org");
    await tryAgain(world.context, other, failed.id);
    expect((await world.context.db.select().from(messages).where(eq(messages.id, failed.id)))[0]!.state).toBe("failed");
    // the address was mended by hand before
    await world.context.db.update(people).set({ addressFailedAt: null, addressFailedReason: null }).where(eq(people.email, "away@example.org"));
    await tryAgain(world.context, world.organisationId, failed.id);
    await sendDue(world.context);
    expect(world.sent.filter((mail) => mail.to.address === "away@example.org")).toHaveLength(1);
    await tryAgain(world.context, world.organisationId, failed.id);
    await sendDue(world.context);
    expect(world.sent.filter((mail) => mail.to.address === "away@example.org")).toHaveLength(1);
  });

  it("goes back page by page", async () => {
    for (let i = 0; i < 55; i += 1) {
      world.clock.advance(1000);
      await signUp(`many${i}@example.org`);
    }
    await sendDue(world.context);
    const first = await page();
    expect(first).toHaveLength(50);
    expect(first[0]!.to).toBe("many54@example.org");
    const [oldest] = await world.context.db.select().from(messages).where(eq(messages.id, first.at(-1)!.id));
    const second = await page(oldest!.createdAt);
    expect(second.map((line) => line.to)).toContain("ines@example.org");
    expect(second.some((line) => first.some((one) => one.id === line.id))).toBe(false);
  });
});
