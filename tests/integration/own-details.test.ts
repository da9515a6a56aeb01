import { eq } from "drizzle-orm";
import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { letters, people, tickets } from "@/server/db/schema";
import { sendDue } from "@/server/services/mailings/deliver";
import { sendLetters } from "@/server/services/mailings/letters";
import { correctOwnDetails } from "@/server/services/way-in/own-details";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, startOfTime, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let token: string;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());
beforeEach(async () => {
  world.clock.set(startOfTime);
  event = await makeEvent(world, {});
  const id = await addTicket(world, event, "attendee", "Mia Mistyped");
  const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, id));
  token = tokenOf(world.context, ticket!);
  world.sent.splice(0);
});

const holder = (by = token) => holderOf(world.context, by);
const correct = async (details: unknown) => correctOwnDetails(world.context, await holder(), details);
let made = 0;
const fresh = () => `right.${(made += 1)}@example.org`;

describe("what registrants mend of themselves", () => {
  it("takes another name at once, by the same link", async () => {
    const { person } = await holder();
    expect(await correct({ name: "Mia Right", email: person.email })).toBe(token);
    expect((await holder()).person.name).toBe("Mia Right");
    await sendDue(world.context);
    expect(world.sent).toEqual([]);
  });

  it("takes another address: old links are dead, the ticket goes there, the old address hears of it in its language", async () => {
    const before = await holder();
    await world.context.db.update(people).set({ locale: "fr" }).where(eq(people.id, before.person.id));
    const email = fresh();
    const next = await correct({ name: "Mia Mistyped", email });
    await expect(holder()).rejects.toMatchObject({ failure: { code: "not-found" } });
    expect((await holder(next)).person.email).toBe(email);
    await sendDue(world.context);
    await sendLetters(world.context);
    const byAddress = Object.fromEntries(world.sent.map((mail) => [mail.to.address, mail]));
    expect(Object.keys(byAddress).sort()).toEqual([email, before.person.email].sort());
    expect(byAddress[email]!.text).toContain(`/ticket/${next}`);
    const told = byAddress[before.person.email!]!;
    expect(told.text).toMatch(/^Bonjour Mia/);
    expect(told.html).toContain('lang="fr"');
    // where it went is nobody else's matter
    expect(told.text).not.toContain(email);
  });

  it("sends the new link of every other place of theirs that is still to come", async () => {
    const { person } = await holder();
    const other = await makeEvent(world, { title: "The other evening" });
    const elsewhere = await addTicket(world, other, "attendee", "Mia Too");
    await world.context.db.update(tickets).set({ personId: person.id }).where(eq(tickets.id, elsewhere));
    await correct({ name: "Mia", email: fresh() });
    await sendDue(world.context);
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, elsewhere));
    const mail = world.sent.find((one) => one.text.includes("The other evening"))!;
    expect(mail.text).toContain(`/ticket/${tokenOf(world.context, ticket!)}`);
  });

  it("refuses somebody else's address and tells nothing of them; what was typed changes nothing", async () => {
    const other = await addTicket(world, event, "attendee", "Somebody Else");
    const [row] = await world.context.db
      .select({ email: people.email })
      .from(tickets)
      .innerJoin(people, eq(people.id, tickets.personId))
      .where(eq(tickets.id, other));
    await expect(correct({ name: "Mia Thief", email: row!.email })).rejects.toMatchObject({
      failure: { code: "not-welcome" },
    });
    expect((await holder()).person.name).toBe("Mia Mistyped");
  });

  it("never turns a guest's link into the way to a stage seat", async () => {
    const { person } = await holder();
    const elsewhere = await makeEvent(world, {});
    const seat = await addTicket(world, elsewhere, "panelist", "Mia On Stage");
    await world.context.db.update(tickets).set({ personId: person.id }).where(eq(tickets.id, seat));
    await expect(correct({ name: "Mia", email: fresh() })).rejects.toMatchObject({ failure: { code: "not-welcome" } });
  });

  it("refuses what is no address, and stage people, and limits the mails that one address can be sent", async () => {
    await expect(correct({ name: "Mia", email: "a@@b..c" })).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
    const panelist = await addTicket(world, event, "panelist", "Pat Panel");
    const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, panelist));
    await expect(
      correctOwnDetails(world.context, await holder(tokenOf(world.context, ticket!)), { name: "P", email: fresh() }),
    ).rejects.toMatchObject({ failure: { code: "wrong-state" } });
    const letterCount = await world.context.db.$count(letters);
    const victim = fresh();
    const tries = [];
    for (let i = 0; i < 30; i += 1) {
      const id = await addTicket(world, event, "attendee", `Flood ${i}`);
      const [one] = await world.context.db.select().from(tickets).where(eq(tickets.id, id));
      tries.push(
        await correctOwnDetails(world.context, await holder(tokenOf(world.context, one!)), {
          name: "F",
          email: victim,
        }).then(
          () => "taken",
          (error: { failure: { code: string } }) => error.failure.code,
        ),
      );
    }
    expect(tries.filter((one) => one === "taken")).toHaveLength(1);
    expect(tries.at(-1)).toBe("too-many-tries");
    expect(await world.context.db.$count(letters)).toBe(letterCount + 1);
  });
});
