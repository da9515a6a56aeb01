import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { and, asc, eq } from "drizzle-orm";
import { consents, events, messages, people, tickets } from "@/server/db/schema";
import { limits } from "@/server/services/ground/tries";
import { Registrar, type FormSent } from "@/server/services/way-in/registrar";
import { cancelRegistration } from "@/server/services/way-in/registration-changes";
import { holderById } from "@/server/services/way-in/tickets";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const slugOf = async (event: MadeEvent) =>
  (await world.context.db.select({ slug: events.slug }).from(events).where(eq(events.id, event.eventId)))[0]!.slug;
async function formFor(event: MadeEvent) {
  const slug = await slugOf(event);
  const form = {
    host: "127.0.0.1",
    slug,
    passCookie: null,
    invitedBy: null,
    dateId: null,
    remote: "local",
    agent: "A browser",
  };
  return (email: string, more: Partial<FormSent> = {}, typed: object = {}): FormSent => ({
    ...form,
    remote: email,
    ...more,
    input: { name: "Ines Marl", email, zone: null, hasConsented: true, source: null, answers: {}, ...typed },
  });
}
const ticketsOf = (event: MadeEvent) =>
  world.context.db
    .select({ status: tickets.status, email: people.email, role: tickets.role, source: tickets.source, id: tickets.id })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(eq(tickets.occurrenceId, event.occurrenceId))
    .orderBy(asc(people.email));
const kindsOf = async (event: MadeEvent) =>
  (await world.context.db.select().from(messages).where(eq(messages.occurrenceId, event.occurrenceId))).map(
    (one) => one.kind,
  );
const settled = (all: readonly PromiseSettledResult<void>[]) =>
  all.map((one) => (one.status === "fulfilled" ? "in" : (one.reason as { failure: { code: string } }).failure.code));

describe("registrations written together (rule 3)", () => {
  it("gives the places in the order in which people came, and each what they would have got alone", async () => {
    const event = await makeEvent(world, { registrationLimit: 3 });
    const form = await formFor(event);
    const registrar = new Registrar(world.context);
    const came = ["e", "a", "d", "b", "c"].map((name) => registrar.register(form(`${name}.turn@example.org`)));
    expect(settled(await Promise.allSettled(came))).toEqual(["in", "in", "in", "in", "in"]);
    const rows = await ticketsOf(event);
    expect(rows.map(({ email, status }) => `${email![0]} ${status}`)).toEqual([
      "a registered",
      "b waiting",
      "c waiting",
      "d registered",
      "e registered",
    ]);
    const kinds = await kindsOf(event);
    expect(kinds.filter((kind) => kind === "confirmation")).toHaveLength(3);
    expect(kinds.filter((kind) => kind === "waiting-list")).toHaveLength(2);
    // reminders go to those who have a place alone
    expect(kinds.filter((kind) => kind === "reminder")).toHaveLength(3 * 2);
    const agreed = await world.context.db.$count(consents, and(eq(consents.ticketId, rows[0]!.id)));
    expect(agreed).toBe(1);
  });

  it("one refused form costs its neighbours nothing, and each hears its own reason", async () => {
    const event = await makeEvent(world);
    const form = await formFor(event);
    const registrar = new Registrar(world.context);
    const all = await Promise.allSettled([
      registrar.register(form("fine.first@example.org")),
      registrar.register(form("not an address")),
      registrar.register(form("nowhere@example.org", { slug: "no-such-page" })),
      registrar.register(form("unasked@example.org", {}, { hasConsented: false })),
      registrar.register(form("fine.last@example.org")),
    ]);
    expect(settled(all)).toEqual(["in", "invalid-input", "not-found", "invalid-input", "in"]);
    expect((await ticketsOf(event)).map((row) => row.email)).toEqual([
      "fine.first@example.org",
      "fine.last@example.org",
    ]);
  });

  it("the same address twice in one moment is one ticket; who gave theirs back takes it up again", async () => {
    const event = await makeEvent(world);
    const form = await formFor(event);
    const registrar = new Registrar(world.context);
    await Promise.all([
      registrar.register(form("twin@example.org")),
      registrar.register(form("TWIN@example.org", {}, { name: "Another Name" })),
      registrar.register(form("back@example.org", {}, { source: "poster" })),
    ]);
    const [back] = await ticketsOf(event);
    expect(await ticketsOf(event)).toHaveLength(2);
    await cancelRegistration(world.context, await holderById(world.context, back!.id));
    world.clock.advance(1000);
    await Promise.all([
      registrar.register(form("back@example.org", {}, { source: "letter" })),
      registrar.register(form("new@example.org")),
    ]);
    expect((await ticketsOf(event)).map((row) => [row.email, row.status, row.source])).toEqual([
      ["back@example.org", "registered", "letter"],
      ["new@example.org", "registered", null],
      ["twin@example.org", "registered", null],
    ]);
    expect((await ticketsOf(event))[0]!.id).toBe(back!.id);
  });

  it("two processes at the same door give no place twice", async () => {
    const event = await makeEvent(world, { registrationLimit: 20 });
    const form = await formFor(event);
    const processes = [new Registrar(world.context), new Registrar(world.context)];
    await Promise.all(
      Array.from({ length: 60 }, (_, i) => processes[i % 2]!.register(form(`door${i % 50}@example.org`))),
    );
    const statuses = (await ticketsOf(event)).map((row) => row.status);
    expect(statuses).toHaveLength(50);
    expect(statuses.filter((status) => status === "registered")).toHaveLength(20);
  });

  it("a test guest of the date who registers stays a test guest", async () => {
    const event = await makeEvent(world);
    const form = await formFor(event);
    const ticketId = await addTicket(world, event, "test-guest", "Tess Guest");
    const [guest] = (await ticketsOf(event)).filter((row) => row.id === ticketId);
    await new Registrar(world.context).register(form(guest!.email!));
    expect((await ticketsOf(event)).map((row) => row.role)).toEqual(["test-guest"]);
  });

  it("counts the tries of one moment one by one: the one beyond the limit is refused, with when to come again", async () => {
    const event = await makeEvent(world);
    const form = await formFor(event);
    const registrar = new Registrar(world.context);
    const most = limits["registration-of-address"].count;
    const all = await Promise.allSettled(
      Array.from({ length: most + 2 }, (_, i) =>
        registrar.register(form("eager@example.org", { remote: `network ${i}` })),
      ),
    );
    expect(settled(all)).toEqual([...Array<string>(most).fill("in"), "too-many-tries", "too-many-tries"]);
    const last = (all[most] as PromiseRejectedResult).reason as { failure: { retryAfterSeconds: number } };
    expect(last.failure.retryAfterSeconds).toBeGreaterThan(0);
    expect(await ticketsOf(event)).toHaveLength(1);
  });
});
