import { randomUUID } from "node:crypto";
import { eq, is, sql } from "drizzle-orm";
import { getTableConfig, PgTable } from "drizzle-orm/pg-core";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { dayMs } from "@/core/time";
import * as schema from "@/server/db/schema";
import {
  busyCalendars,
  chatLines,
  dateRecords,
  entryProofs,
  events,
  invitees,
  messages,
  occurrences,
  people,
  questions,
  stays,
  tickets,
} from "@/server/db/schema";
import { mainRoomOf } from "@/server/db/queries/journal";
import { saveContact } from "@/server/services/people/contacts/book";
import { eraseContact, erasureLog } from "@/server/services/people/contacts/erase";
import { mergeContacts } from "@/server/services/people/contacts/merge";
import { personFile } from "@/server/services/people/contacts/person-file";
import { personalData } from "@/server/services/people/contacts/personal-data";
import { saveMailing } from "@/server/services/mailings/compose";
import { deleteEvent } from "@/server/services/planning/event-life";
import { countHeld } from "@/server/services/overview/count-held";
import { pastHouse } from "@/server/services/overview/forecast";
import { purge } from "@/server/services/outside/sweep";
import { held } from "../support/held";
import { composed, nobodyBut } from "../support/mailing";
import {
  addMember,
  addPerson,
  addTicket,
  makeEvent,
  makeWorld,
  startOfTime,
  stayed,
  type World,
} from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const tables = Object.values(schema as Record<string, unknown>)
  .filter((one): one is PgTable => is(one, PgTable))
  .map((table) => getTableConfig(table));

/** Every row of every table that has these words anywhere in it. */
async function rowsWith(words: string): Promise<readonly string[]> {
  const found: string[] = [];
  for (const { name } of tables) {
    const { rows } = await world.context.db.execute(
      sql`select count(*)::int as n from ${sql.identifier(name)} t where to_jsonb(t)::text ilike ${`%${words}%`}`,
    );
    if (Number(rows[0]!["n"]) > 0) found.push(name);
  }
  return found;
}

describe("what erasure and retention do", () => {
  it("is said of every column of every table, once", () => {
    for (const { name, columns } of tables) {
      const said = Object.values(personalData[name] ?? {}).flatMap((one) => one.split(" "));
      expect([name, ...said.sort()]).toEqual([name, ...columns.map((one) => one.name).sort()]);
    }
    expect(Object.keys(personalData).sort()).toEqual(tables.map(({ name }) => name).sort());
  });

  it("leaves nothing of somebody in any table, wherever it stood", async () => {
    world.clock.set(startOfTime);
    const { db } = world.context;
    const event = await makeEvent(world);
    const organisationId = world.organisationId;
    const email = "zostera.noltii@example.org";
    const personId = await addPerson(world.context, organisationId, "Zostera Noltii", email);
    await db
      .update(people)
      .set({
        company: "Zostera Ltd",
        phone: "zostera-phone",
        note: "zostera note",
        tags: ["zostera"],
        addressFailedReason: `550 <${email}>`,
      })
      .where(eq(people.id, personId));
    const ticketId = randomUUID();
    const of = { organisationId, eventId: event.eventId, personId };
    const asked = { ...of, occurrenceId: event.occurrenceId, role: "attendee" as const, registeredAt: startOfTime };
    const words = { answers: { site: "Zostera bay" }, aboutLine: "Zostera counts", source: "zostera-letter" };
    await db.insert(tickets).values({ id: ticketId, ...asked, ...words });
    await db.insert(invitees).values({ id: randomUUID(), ...of, invitedAt: startOfTime });
    await stayed(world, event.occurrenceId, ticketId, { fromAt: startOfTime, toAt: startOfTime + 1000 });
    const stayId = randomUUID();
    const room = (await mainRoomOf(db, event.occurrenceId))!;
    await db.insert(stays).values({
      id: stayId,
      connectionId: stayId,
      organisationId,
      occurrenceId: event.occurrenceId,
      roomId: room.id,
      personId,
      chainId: "Zostera Noltii",
      importKey: "zostera",
      role: "attendee",
      device: "hall",
      place: "house",
      fromAt: startOfTime,
      lastSignAt: startOfTime,
    });
    const askedAt = { organisationId, occurrenceId: event.occurrenceId, askerTicketId: ticketId, askedAt: startOfTime };
    await db
      .insert(questions)
      .values({ id: randomUUID(), ...askedAt, text: "Is zostera grass?", answer: "Dear Zostera" });
    await db.insert(chatLines).values({
      roomId: room.id,
      topic: "chat:house",
      seq: 1,
      rev: 1,
      organisationId,
      lineId: randomUUID(),
      authorTicketId: ticketId,
      target: "all",
      text: "I am Zostera",
      state: "shown",
      at: startOfTime,
    });
    await db.insert(entryProofs).values({ id: randomUUID(), organisationId, ticketId, askedAt: startOfTime });
    await db.insert(busyCalendars).values({
      id: randomUUID(),
      organisationId,
      personId,
      name: "zostera.ics",
      body: { zostera: 1 } as never,
      readAt: startOfTime,
    });
    const at = { plannedDueAt: startOfTime, dueAt: startOfTime, createdAt: startOfTime };
    await db.insert(messages).values({
      id: randomUUID(),
      ...of,
      ticketId,
      kind: "confirmation",
      state: "sent",
      ...at,
      messageId: randomUUID(),
      rendered: { subject: "Zostera", text: "Hello Zostera", html: "", calendar: null },
    });
    const audience = nobodyBut({ pasted: `Other <other@example.org>\nZostera <${email}>` });
    await saveMailing(world.context, world.owner, event.eventId, null, 0, composed("note", { audience }));
    expect([...(await rowsWith("zostera"))].sort()).toEqual([
      "busy_calendars",
      "chat_lines",
      "mailings",
      "messages",
      "people",
      "questions",
      "stays",
      "tickets",
    ]);
    // what would be taken away is what a person's own file shows, part by part
    const file = await personFile(world.context, { id: personId, organisationId }, "the person");
    const withIt = Object.entries(file).filter(([, part]) => JSON.stringify(part).toLowerCase().includes("zostera"));
    expect(withIt.map(([part]) => part).sort()).toEqual(
      ["busyCalendars", "chatLines", "mails", "person", "questions", "tickets"].sort(),
    );
    expect(file["tickets"]).toMatchObject([{ source: "zostera-letter", aboutLine: "Zostera counts" }]);
    expect(file["presence"]).toMatchObject([{ place: "house" }, { place: "house", device: "hall" }]);
    expect(file["provenDevices"]).toHaveLength(1);
    await eraseContact(world.context, world.owner, personId);
    expect(await rowsWith("zostera")).toEqual([]);
    expect(await rowsWith("other@example.org")).toEqual(["mailings"]);
    expect((await world.context.storage.lines(erasureLog)).join()).toContain(personId);
  });

  it("spares whoever is invited to what is still to come", async () => {
    world.clock.set(startOfTime);
    const [old, asked] = [
      await addPerson(world.context, world.organisationId, "Long Ago"),
      await addPerson(world.context, world.organisationId, "Invited For Next Week"),
    ];
    world.clock.advance(740 * dayMs);
    const event = await makeEvent(world, { startLocal: "2028-12-12T18:00" });
    const of = { organisationId: world.organisationId, eventId: event.eventId, personId: asked };
    await world.context.db.insert(invitees).values({ id: randomUUID(), ...of, invitedAt: world.clock.now() });
    await purge(world.context);
    const names = async (id: string) =>
      (await world.context.db.select().from(people).where(eq(people.id, id)))[0]!.name;
    expect([await names(old), await names(asked)]).toEqual([null, "Invited For Next Week"]);
  });

  it("leaves the counts of an event that is gone for good (rule 5)", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world, { title: "Gone for good" });
    const ticketId = await addTicket(world, event, "attendee", "Came");
    const { raisedAt } = await held(world, event.occurrenceId);
    await stayed(world, event.occurrenceId, ticketId, { fromAt: raisedAt, toAt: raisedAt + 60_000 });
    await countHeld(world.context, 100);
    const before = await pastHouse(world.context, world.organisationId);
    await deleteEvent(world.context, world.owner, event.eventId);
    world.clock.advance(10 * dayMs);
    await purge(world.context);
    expect(await world.context.db.$count(events, eq(events.id, event.eventId))).toBe(0);
    expect(await world.context.db.$count(occurrences, eq(occurrences.id, event.occurrenceId))).toBe(0);
    expect(await world.context.db.select().from(dateRecords)).toMatchObject([
      { title: "Gone for good", registeredCount: 1, cameCount: 1, peakCount: 1 },
    ]);
    expect(await pastHouse(world.context, world.organisationId)).toEqual(before);
  });
});

describe("whose seat it is", () => {
  it("nobody gets at by a merge or by another address, but whoever produces the event, and the owner", async () => {
    world.clock.set(startOfTime);
    const event = await makeEvent(world);
    const producer = await addMember(world.context, world.organisationId, "producer", "Produces Something Else");
    const panelist = await addTicket(world, event, "panelist", "Has A Seat");
    const [row] = await world.context.db.select().from(tickets).where(eq(tickets.id, panelist));
    const own = await addPerson(world.context, world.organisationId, "My Other Self");
    const refused = { failure: { code: "not-allowed" } };
    const merge = (keepId: string, goneId: string) =>
      mergeContacts(world.context, producer, { keepId, goneId, takeFromGone: [] });
    await expect(merge(own, row!.personId)).rejects.toMatchObject(refused);
    await expect(merge(row!.personId, own)).rejects.toMatchObject(refused);
    const contact = { name: "Has A Seat", email: "mine@example.org", company: "", phone: "", note: "", zone: null };
    const values = { ...contact, locale: "en", tags: [], groups: [] };
    await expect(saveContact(world.context, producer, row!.personId, values)).rejects.toMatchObject(refused);
    // the owner may, and what was sent to the old address opens nothing any more
    await saveContact(world.context, world.owner, row!.personId, values);
    const [after] = await world.context.db.select().from(tickets).where(eq(tickets.id, panelist));
    expect(after!.linkVersion).toBe(row!.linkVersion + 1);
    await saveContact(world.context, world.owner, row!.personId, { ...values, company: "Shore Trust" });
    expect((await world.context.db.select().from(tickets).where(eq(tickets.id, panelist)))[0]!.linkVersion).toBe(
      after!.linkVersion,
    );
  });
});
