import { randomUUID } from "node:crypto";
import { and, eq, sql } from "drizzle-orm";
import fc from "fast-check";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import type { ImportLine } from "@/contracts";
import { nobody } from "@/core/mailings";
import { similarity } from "@/core/questions";
import { minuteMs } from "@/core/time";
import { stays, invitees, mailings, messages, people, questions, tickets } from "@/server/db/schema";
import { eventAccess } from "@/server/services/ground/access";
import { contactById, contactPage, likelyDuplicates, saveContact } from "@/server/services/people/contacts/book";
import { eraseContact } from "@/server/services/people/contacts/erase";
import { exportContacts } from "@/server/services/people/contacts/export";
import { contactHistory } from "@/server/services/people/contacts/history";
import { importContacts, previewImport } from "@/server/services/people/contacts/import";
import { markContacts } from "@/server/services/people/contacts/mark";
import { mergeContacts } from "@/server/services/people/contacts/merge";
import { datesOf } from "@/server/services/planning/dates/load";
import { saveMailing } from "@/server/services/mailings/compose";
import { personByEmail } from "@/server/services/ground/people-records";
import { register } from "@/server/services/way-in/registration";
import { cancelRegistration } from "@/server/services/way-in/registration-changes";
import { holderById } from "@/server/services/way-in/tickets";
import { composed } from "../support/mailing";
import { addMember, addOrganisation, addTicket, makeEvent, makeWorld, type World, stayed } from "../support/world";

let world: World;
beforeAll(async () => {
  world = await makeWorld();
});
afterAll(() => world.close());

const bytes = (text: string) => new TextEncoder().encode(text);
async function take(
  text: string,
  mapping: unknown = ["name", "email", "tags", "groups"],
): Promise<Extract<ImportLine, { type: "done" }>> {
  const lines: ImportLine[] = [];
  await importContacts(world.context, world.owner, bytes(text), mapping, (line) => lines.push(line));
  return lines.at(-1) as never;
}
const idOf = async (email: string) =>
  (await world.context.db.select({ id: people.id }).from(people).where(eq(people.email, email)))[0]!.id;
const all = async (kind: "csv" | "vcf") => new Response(await exportContacts(world.context, world.owner, kind)).text();

describe("taking a file in (rule 9)", () => {
  const csv =
    '\uFEFFname;email;tags;groups\r\n"Marl, Ines";ines@example.org;warden|ringer;Crew\r\n\'=cmd;formula@example.org;;\r\nNobody;;;\r\nWrong;not-an-address;;\r\nTwice;INES@example.org;;\r\n';

  it("finds the delimiter and the columns, shows bad lines with their numbers, and keeps nothing yet", async () => {
    const preview = await previewImport(world.context, world.owner, bytes(csv), null);
    expect(preview).toMatchObject({
      mapping: ["name", "email", "tags", "groups"],
      rows: 5,
      good: 2,
      bad: [
        { line: 4, reason: "no address" },
        { line: 5, reason: "the address cannot be read" },
      ],
    });
  });

  it("adds good lines, and the same file twice changes nothing", async () => {
    expect(await take(csv)).toMatchObject({ added: 2, changed: 0, unchanged: 0, badCount: 2 });
    expect(await take(csv)).toMatchObject({ added: 0, changed: 0, unchanged: 2 });
    expect(await contactById(world.context, world.owner, await idOf("ines@example.org"))).toMatchObject({
      name: "Marl, Ines",
      tags: ["warden", "ringer"],
      groups: ["Crew"],
    });
    expect(await contactById(world.context, world.owner, await idOf("formula@example.org"))).toMatchObject({
      name: "=cmd",
    });
    expect(await take("name,email,tags\nSomebody else,ines@example.org,new", ["name", "email", "tags"])).toMatchObject({
      added: 0,
      changed: 1,
    });
    expect(await contactById(world.context, world.owner, await idOf("ines@example.org"))).toMatchObject({
      name: "Marl, Ines",
      tags: ["warden", "ringer", "new"],
    });
  });

  it("reads vCard 3 and 4 (examples of RFC 6350 §8 and RFC 2426 §7, addresses under example.com)", async () => {
    const four =
      "BEGIN:VCARD\r\nVERSION:4.0\r\nFN:Simon Perreault\r\nN:Perreault;Simon;;;ing. jr,M.Sc.\r\nLANG;PREF=1:fr\r\nORG;TYPE=work:Viagenie\r\nEMAIL;TYPE=work:simon.perreault@example.com\r\nEND:VCARD\r\n";
    const three =
      "BEGIN:vCard\r\nVERSION:3.0\r\nFN:Frank Dawson\r\nORG:Lotus Development Corporation\r\nTEL;TYPE=VOICE,MSG,WORK:+1-919-676-9515\r\nEMAIL;TYPE=INTERNET,PREF:frank@example.com\r\nEMAIL;TYPE=INTERNET:second@example.com\r\nEND:vCard\r\n";
    const preview = await previewImport(world.context, world.owner, bytes(three + four), null);
    expect(preview).toMatchObject({ kind: "vcard", good: 2 });
    expect(await take(three + four, preview.mapping)).toMatchObject({ added: 2 });
    expect(await contactById(world.context, world.owner, await idOf("simon.perreault@example.com"))).toMatchObject({
      name: "Simon Perreault",
      company: "Viagenie",
      locale: "fr",
    });
    expect(await contactById(world.context, world.owner, await idOf("frank@example.com"))).toMatchObject({
      phone: "+1-919-676-9515",
    });
  });

  it("refuses what is no table, whole; crew and strangers are kept out", async () => {
    for (const text of ["", "name,email\n", 'name,email\n"open,a@example.org'])
      await expect(previewImport(world.context, world.owner, bytes(text), null)).rejects.toThrow("bad-file");
    await expect(previewImport(world.context, world.owner, new Uint8Array([0x6e, 0xff, 0xfe]), null)).rejects.toThrow(
      "bad-file",
    );
    await expect(take("name,email\nx,y@example.org", ["name", null])).rejects.toMatchObject({
      failure: { code: "invalid-input" },
    });
    const crew = await addMember(world.context, world.organisationId, "crew", "Crew");
    await expect(previewImport(world.context, crew, bytes(csv), null)).rejects.toThrow("not-allowed");
    await expect(exportContacts(world.context, crew, "csv")).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, "other.example.org"),
      "owner",
      "Stranger",
    );
    await expect(contactById(world.context, stranger, await idOf("ines@example.org"))).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    expect((await contactPage(world.context, stranger, {})).contacts.map((one) => one.name)).toEqual(["Stranger"]);
  });

  it("comes back from its own file unchanged: 60 generated books, through the database", async () => {
    const word = fc
      .stringMatching(/^[\p{L}=+@'",;-][\p{L}\p{N} ,;'"=+@-]{0,20}$/u)
      .map((text) => text.trim())
      .filter(Boolean);
    let contacts = 0;
    await fc.assert(
      fc.asyncProperty(fc.array(word, { minLength: 1, maxLength: 5 }), async (names) => {
        const run = randomUUID().slice(0, 8);
        const made = names.map((name, i) => ({ name, email: `r${run}.${i}@example.org` }));
        for (const one of made)
          await saveContact(world.context, world.owner, null, {
            ...one,
            company: "",
            phone: "",
            note: "",
            zone: null,
            tags: [],
            groups: [],
          });
        const file = (await all("csv"))
          .split("\r\n")
          .filter((line, i) => i === 0 || line.includes(run))
          .join("\r\n");
        await world.context.db.delete(people).where(sql`email like ${`r${run}%`}`);
        const preview = await previewImport(world.context, world.owner, bytes(`${file}\r\n`), null);
        await take(`${file}\r\n`, preview.mapping);
        for (const one of made)
          expect((await contactById(world.context, world.owner, await idOf(one.email))).name).toBe(
            one.name.replace(/\s+/g, " "),
          );
        contacts += made.length;
      }),
      { numRuns: 60, seed: 20261125 },
    );
    console.log(`contacts: ${contacts} out to a file and back`);
  });
});

describe("the book", () => {
  it("finds by words, tag, group and state", async () => {
    const found = async (query: object) =>
      (await contactPage(world.context, world.owner, query)).contacts.map((one) => one.email);
    expect(await found({ words: "ines" })).toEqual(["ines@example.org"]);
    expect(await found({ group: "Crew" })).toEqual(["ines@example.org"]);
    expect(await found({ tag: "ringer" })).toEqual(["ines@example.org"]);
    await world.context.db
      .update(people)
      .set({ unsubscribedAt: world.clock.now() })
      .where(eq(people.email, "ines@example.org"));
    expect(await found({ state: "unsubscribed" })).toEqual(["ines@example.org"]);
    expect(await found({ words: "100%_" })).toEqual([]);
  });

  it("gives an address to one person alone", async () => {
    const other = {
      name: "x",
      email: "ines@example.org",
      company: "",
      phone: "",
      note: "",
      zone: null,
      tags: [],
      groups: [],
    };
    await expect(saveContact(world.context, world.owner, null, other)).rejects.toMatchObject({
      failure: { code: "address-taken" },
    });
  });

  it("likeness is the database's own similarity(), on 300 pairs of names", async () => {
    const names = fc.sample(fc.stringMatching(/^[a-zà-ÿ]{2,9} [a-z0-9]{2,9}( [a-z]{1,6})?$/), {
      numRuns: 600,
      seed: 7,
    });
    for (let i = 0; i < 600; i += 2) {
      const { rows } = await world.context.db.execute(sql`select similarity(${names[i]}, ${names[i + 1]}) as s`);
      expect(similarity(names[i]!, names[i + 1]!)).toBe(Math.fround(Number(rows[0]!["s"])));
    }
  });
});

describe("two contacts made one, and one erased", () => {
  it("moves tickets, invitations and entries, keeps who unsubscribed so, and frees the address", async () => {
    const event = await makeEvent(world);
    const other = await makeEvent(world);
    const person = (name: string, email: string) =>
      personByEmail(world.context, world.context.db, world.organisationId, { name, email });
    const [keep, gone] = [await person("Bo Skerry", "bo@example.org"), await person("Skerry Bo", "bo.s@example.org")];
    const ticket = (personId: string, eventId: string, occurrenceId: string) => ({
      id: randomUUID(),
      organisationId: world.organisationId,
      eventId,
      occurrenceId,
      personId,
      role: "attendee" as const,
      registeredAt: world.clock.now(),
    });
    const [mine, theirs, only] = [
      ticket(keep.id, event.eventId, event.occurrenceId),
      ticket(gone.id, event.eventId, event.occurrenceId),
      ticket(gone.id, other.eventId, other.occurrenceId),
    ];
    await world.context.db.insert(tickets).values([mine, theirs, only]);
    await world.context.db.insert(invitees).values(
      [keep, gone].map((one) => ({
        id: randomUUID(),
        organisationId: world.organisationId,
        eventId: event.eventId,
        personId: one.id,
        invitedAt: world.clock.now(),
      })),
    );
    await world.context.db
      .update(people)
      .set({ unsubscribedAt: 5, phone: "+44 20 7946 0001" })
      .where(eq(people.id, gone.id));
    expect(
      (await likelyDuplicates(world.context, world.owner)).some((pair) => [pair.a.id, pair.b.id].includes(gone.id)),
    ).toBe(true);
    await mergeContacts(world.context, world.owner, { keepId: keep.id, goneId: gone.id, takeFromGone: ["email"] });
    expect(await contactById(world.context, world.owner, keep.id)).toMatchObject({
      name: "Bo Skerry",
      email: "bo.s@example.org",
      phone: "+44 20 7946 0001",
      unsubscribedAt: 5,
    });
    await expect(contactById(world.context, world.owner, gone.id)).rejects.toMatchObject({
      failure: { code: "not-found" },
    });
    const held = await world.context.db.select().from(tickets).where(eq(tickets.personId, keep.id));
    expect(held.map((one) => one.id).sort()).toEqual([mine.id, only.id].sort());
    const [left] = await world.context.db.select().from(tickets).where(eq(tickets.id, theirs.id));
    expect(left!.revokedAt).not.toBeNull();
    expect(await world.context.db.$count(invitees, eq(invitees.personId, keep.id))).toBe(1);
  });

  it("keeps a place and its reminders, whichever of the two held them", async () => {
    const event = await makeEvent(world, { startLocal: "2026-12-10T18:00", registrationLimit: 5 });
    const other = await makeEvent(world, { startLocal: "2026-12-11T18:00" });
    const { event: row } = await eventAccess(world.context, world.owner, event.eventId);
    const { event: second } = await eventAccess(world.context, world.owner, other.eventId);
    const sign = async (email: string, of = row, made = event) =>
      register(
        world.context,
        { event: of, occurrence: (await datesOf(world.context.db, made.eventId))[0]! },
        { name: "Una Dunlin", email, zone: null, hasConsented: true, source: null, answers: {} },
        email,
      );
    await sign("una@example.org");
    await sign("una.d@example.org");
    await sign("una.d@example.org", second, other);
    const [keep] = await world.context.db.select().from(people).where(eq(people.email, "una@example.org"));
    const [gone] = await world.context.db.select().from(people).where(eq(people.email, "una.d@example.org"));
    const [mine] = await world.context.db.select().from(tickets).where(eq(tickets.personId, keep!.id));
    // the kept one had given the place back, the other still holds one
    await cancelRegistration(world.context, await holderById(world.context, mine!.id));
    await mergeContacts(world.context, world.owner, { keepId: keep!.id, goneId: gone!.id, takeFromGone: [] });
    const held = await world.context.db.select().from(tickets).where(eq(tickets.personId, keep!.id));
    expect(held.filter((one) => one.revokedAt === null).map((one) => one.status)).toEqual(["registered", "registered"]);
    const planned = await world.context.db
      .select()
      .from(messages)
      .where(and(eq(messages.personId, keep!.id), eq(messages.kind, "reminder"), eq(messages.state, "planned")));
    // a day and twenty minutes ahead of each of the two dates, each on a ticket that counts
    expect(planned).toHaveLength(4);
    for (const one of planned)
      expect(held.some((ticket) => ticket.id === one.ticketId && ticket.revokedAt === null)).toBe(true);
    expect(
      await world.context.db.$count(messages, and(eq(messages.personId, gone!.id), eq(messages.state, "planned"))),
    ).toBe(0);
  });

  it("takes over nothing that a merge may not, and forgets the mark of an address that went", async () => {
    const make = (email: string) =>
      personByEmail(world.context, world.context.db, world.organisationId, { name: "Cai Wadden", email });
    const [keep, gone] = [await make("cai@example.org"), await make("cai.w@example.org")];
    for (const choice of [
      { keepId: keep.id, goneId: keep.id, takeFromGone: [] },
      { keepId: "x", goneId: gone.id, takeFromGone: [] },
      { keepId: keep.id, goneId: gone.id, takeFromGone: ["unsubscribedAt"] },
      null,
    ]) {
      await expect(mergeContacts(world.context, world.owner, choice)).rejects.toMatchObject({
        failure: { code: "invalid-input" },
      });
    }
    await world.context.db
      .update(people)
      .set({ addressFailedAt: 5, addressFailedReason: "no such mailbox" })
      .where(eq(people.id, keep.id));
    await mergeContacts(world.context, world.owner, { keepId: keep.id, goneId: gone.id, takeFromGone: ["email"] });
    expect(await contactById(world.context, world.owner, keep.id)).toMatchObject({
      email: "cai.w@example.org",
      addressFailedAt: null,
    });
  });

  it("holds after the merge what both held before, each date once: 40 generated pairs", async () => {
    const made: Awaited<ReturnType<typeof makeEvent>>[] = [];
    for (let i = 0; i < 4; i += 1) made.push(await makeEvent(world));
    const run = async (mine: number[], theirs: number[], states: [boolean, boolean]) => {
      const name = randomUUID().slice(0, 8);
      const [keep, gone] = [
        await personByEmail(world.context, world.context.db, world.organisationId, {
          name,
          email: `${name}.a@example.org`,
        }),
        await personByEmail(world.context, world.context.db, world.organisationId, {
          name,
          email: `${name}.b@example.org`,
        }),
      ];
      const held = (personId: string, dates: number[]) =>
        dates.map((i) => ({
          id: randomUUID(),
          organisationId: world.organisationId,
          eventId: made[i]!.eventId,
          occurrenceId: made[i]!.occurrenceId,
          personId,
          role: "attendee" as const,
          registeredAt: 1,
        }));
      const rows = [...held(keep.id, mine), ...held(gone.id, theirs)];
      if (rows.length > 0) await world.context.db.insert(tickets).values(rows);
      for (const [k, one] of [keep, gone].entries())
        if (states[k]) await world.context.db.update(people).set({ unsubscribedAt: 9 }).where(eq(people.id, one.id));
      await mergeContacts(world.context, world.owner, { keepId: keep.id, goneId: gone.id, takeFromGone: [] });
      const after = await world.context.db.select().from(tickets).where(eq(tickets.personId, keep.id));
      const live = after
        .filter((ticket) => ticket.revokedAt === null)
        .map((ticket) => ticket.eventId)
        .sort();
      expect(live).toEqual([...new Set([...mine, ...theirs])].map((i) => made[i]!.eventId).sort());
      const [row] = await world.context.db.select().from(people).where(eq(people.id, keep.id));
      expect(row!.unsubscribedAt !== null).toBe(states[0] || states[1]);
    };
    const dates = fc.uniqueArray(fc.integer({ min: 0, max: 3 }), { maxLength: 4 });
    let pairs = 0;
    await fc.assert(
      fc.asyncProperty(dates, dates, fc.tuple(fc.boolean(), fc.boolean()), (mine, theirs, states) =>
        run(mine, theirs, states).then(() => void (pairs += 1)),
      ),
      { numRuns: 40, seed: 20261125 },
    );
    console.log(`contacts: ${pairs} pairs merged, nothing lost or doubled`);
  });

  it("erases names, addresses and words, and leaves the figures of the past as counts", async () => {
    const event = await makeEvent(world);
    const ticketId = await addTicket(world, event, "attendee", "Gone Soon");
    const [row] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const at = Date.parse("2026-11-26T18:00:00Z");
    await stayed(world, event.occurrenceId, ticketId, { fromAt: at, toAt: at + 30 * minuteMs });
    await world.context.db.insert(questions).values({
      id: randomUUID(),
      organisationId: world.organisationId,
      occurrenceId: event.occurrenceId,
      askerTicketId: ticketId,
      text: "My own words",
      askedAt: at,
    });
    expect(await contactHistory(world.context, world.owner, row!.personId)).toMatchObject([
      { eventId: event.eventId, status: "registered", minutesInside: 30 },
    ]);
    const [{ email }] = (await world.context.db
      .select({ email: people.email })
      .from(people)
      .where(eq(people.id, row!.personId))) as [{ email: string }];
    const { id: draft } = await saveMailing(
      world.context,
      world.owner,
      event.eventId,
      null,
      0,
      composed("invitation", { audience: { ...nobody, pasted: `other@example.org\nGone Soon <${email}>` } as never }),
    );
    await eraseContact(world.context, world.owner, row!.personId);
    expect((await world.context.db.select().from(mailings).where(eq(mailings.id, draft)))[0]!.audience.pasted).toBe(
      "other@example.org",
    );
    const [person] = await world.context.db.select().from(people).where(eq(people.id, row!.personId));
    expect(person).toMatchObject({ name: null, email: null, note: "", tags: [] });
    expect(await world.context.db.$count(questions, eq(questions.text, "My own words"))).toBe(0);
    expect(await world.context.db.$count(stays, eq(stays.ticketId, ticketId))).toBe(1);
    await expect(eraseContact(world.context, world.owner, world.owner.personId)).rejects.toMatchObject({
      failure: { code: "not-allowed" },
    });
  });
});

describe("many contacts at once", () => {
  const page = (query: object) => contactPage(world.context, world.owner, query);
  const ids = async (words: string) => (await page({ words })).contacts.map((one) => one.id);

  it("are tagged and put into groups, once each, and taken out again", async () => {
    await take("name,email\nÄnne Tern,anne.tern@example.org\nBo Tern,bo.tern@example.org\n", ["name", "email"]);
    const terns = await ids("tern");
    expect(terns).toHaveLength(2);
    const mark = (part: object) =>
      markContacts(world.context, world.owner, { ids: terns, kind: "tag", name: "spring", isOn: true, ...part });
    expect(await mark({})).toBe(2);
    await mark({});
    await mark({ kind: "group", name: "Tern crew" });
    const marked = await page({ words: "tern" });
    expect(marked.contacts.map((one) => [one.tags, one.groups])).toEqual([
      [["spring"], ["Tern crew"]],
      [["spring"], ["Tern crew"]],
    ]);
    await mark({ isOn: false });
    await mark({ kind: "group", name: "Tern crew", isOn: false });
    expect((await page({ words: "tern" })).contacts.map((one) => [one.tags, one.groups])).toEqual([
      [[], []],
      [[], []],
    ]);
    await expect(mark({ name: " " })).rejects.toMatchObject({ failure: { code: "invalid-input" } });
    const stranger = await addMember(
      world.context,
      await addOrganisation(world.context, "marks.example.org"),
      "owner",
      "Stranger",
    );
    expect(await markContacts(world.context, stranger, { ids: terns, kind: "tag", name: "x", isOn: true })).toBe(0);
  });

  it("are found by words in any order and without accents, sorted by a column, and exported as they are narrowed", async () => {
    expect(await ids("tern anne")).toHaveLength(1);
    const up = (await page({ words: "tern", sort: "email" })).contacts.map((one) => one.email);
    const down = (await page({ words: "tern", sort: "email", desc: "1" })).contacts.map((one) => one.email);
    expect(up).toEqual(["anne.tern@example.org", "bo.tern@example.org"]);
    expect(down).toEqual([...up].reverse());
    const file = await new Response(
      await exportContacts(world.context, world.owner, "csv", { words: "anne tern" }),
    ).text();
    expect(file).toContain("anne.tern@example.org");
    expect(file.trim().split("\n")).toHaveLength(2);
  });

  it("say how much there was between them and us", async () => {
    const event = await makeEvent(world);
    const ticketId = await addTicket(world, event, "attendee", "Comes Often");
    const [row] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
    const [line] = (await page({ words: "comes often" })).contacts;
    expect(line).toMatchObject({ id: row!.personId, eventCount: 1, lastAt: null });
    const startAt = Date.parse("2026-11-26T18:00:00Z");
    world.clock.set(startAt + minuteMs);
    expect((await page({ words: "comes often" })).contacts[0]).toMatchObject({ lastAt: startAt });
  });
});
