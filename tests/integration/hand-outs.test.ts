import { afterAll, beforeAll, beforeEach, describe, expect, it } from "vitest";
import { eq } from "drizzle-orm";
import { handOutName } from "@/contracts";
import { events, handOuts, handOutTakings, tickets } from "@/server/db/schema";
import { loadFiles } from "@/server/room";
import type { Bringer } from "@/server/services/hour/bring";
import { addHandOut, changeHandOut, removeHandOut, shownHandOuts, takeHandOut } from "@/server/services/hour/hand-outs";
import { personOfDate } from "@/server/services/afterwards/person-of-date";
import { holderOf, tokenOf } from "@/server/services/way-in/tickets";
import { deckOf } from "../support/pdf";
import { addTicket, makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";

let world: World;
let event: MadeEvent;
let team: Bringer;
beforeAll(async () => {
  world = await makeWorld();
  team = { member: world.owner };
});
afterAll(() => world.close());
beforeEach(async () => {
  event = await makeEvent(world, { houseSize: 100 });
});

const bring = (name: string, bytes: Uint8Array | string, by: Bringer = team) =>
  addHandOut(world.context, by, event.occurrenceId, name, new Blob([bytes as BlobPart]).stream(), null);
const refused = async (act: Promise<unknown>) =>
  act.then(
    () => "done",
    (error: { failure?: { code: string; reason?: string } }) =>
      error.failure?.reason ?? error.failure?.code ?? "defect",
  );
const names = async () => [...(await loadFiles(world.context.db, event.occurrenceId)).values()].map((one) => one.name);
const show = (id: string, isShown = true) => changeHandOut(world.context, team, id, { isShown });

describe("files for the audience", () => {
  it("are hidden until they are shown, counted when they are taken, whole to the last byte", async () => {
    const pdf = await deckOf([{ text: "Tide table" }]);
    const id = await bring("tides.pdf", pdf);
    expect(await shownHandOuts(world.context, event.occurrenceId)).toEqual([]);
    expect(await refused(takeHandOut(world.context, id))).toBe("not-found");
    await show(id);
    expect(await shownHandOuts(world.context, event.occurrenceId)).toEqual([
      { id, name: "tides.pdf", sizeBytes: pdf.byteLength },
    ]);
    const { body, headers } = await takeHandOut(world.context, id);
    expect(new Uint8Array(await new Response(body).arrayBuffer())).toEqual(new Uint8Array(pdf));
    expect(headers).toMatchObject({ "content-type": "application/pdf", "x-content-type-options": "nosniff" });
    await takeHandOut(world.context, id);
    expect((await loadFiles(world.context.db, event.occurrenceId)).get(id)?.takenCount).toBe(2);
    await show(id, false);
    expect(await refused(takeHandOut(world.context, id))).toBe("not-found");
  });
  it("remember who took them, once each, where a ticket of the event stands behind it", async () => {
    const id = await bring("tides.pdf", await deckOf([{ text: "Tide table" }]));
    await show(id);
    const tokenFor = async (of: MadeEvent) => {
      const ticketId = await addTicket(world, of, "attendee", "Una Dunlin");
      const [ticket] = await world.context.db.select().from(tickets).where(eq(tickets.id, ticketId));
      return { ticketId, token: tokenOf(world.context, ticket!) };
    };
    const [own, other] = [await tokenFor(event), await tokenFor(await makeEvent(world))];
    for (const tokens of [[own.token], [own.token], [other.token], ["forged"], []])
      await takeHandOut(world.context, id, tokens);
    const taken = await world.context.db.select().from(handOutTakings).where(eq(handOutTakings.handOutId, id));
    expect(taken.map((row) => row.ticketId)).toEqual([own.ticketId]);
    expect((await loadFiles(world.context.db, event.occurrenceId)).get(id)?.takenCount).toBe(5);
    const page = await personOfDate(world.context, world.owner, event.eventId, event.occurrenceId, own.ticketId);
    expect(page.taken).toMatchObject([{ name: "tides.pdf" }]);
  });
  it("are checked by their content: a program is none, and what is not what its name says", async () => {
    const pe = new Uint8Array(512);
    pe.set([0x4d, 0x5a]);
    expect(await refused(bring("counts.exe", "plain words"))).toBe("a-program");
    expect(await refused(bring("counts.dat", pe))).toBe("a-program");
    expect(await refused(bring("counts.pdf", "plain words"))).toBe("not-as-named");
    expect(await refused(bring("photo.png", await deckOf([{ text: "x" }])))).toBe("not-as-named");
    // what a browser would run is only taken away
    const page = await bring("notes.html", "<script>alert(1)</script>");
    await show(page);
    const { headers } = await takeHandOut(world.context, page);
    expect(headers["content-type"]).toBe("application/octet-stream");
    expect(headers["content-disposition"]).toMatch(/^attachment/);
    expect(await names()).toEqual(["notes.html"]);
  });
  it("keep the order that they are given, whoever moves two at once", async () => {
    const [a, b, c] = [await bring("a.txt", "a"), await bring("b.txt", "b"), await bring("c.txt", "c")];
    await changeHandOut(world.context, team, c, { step: -1 });
    expect(await names()).toEqual(["a.txt", "c.txt", "b.txt"]);
    await changeHandOut(world.context, team, a, { step: -1 });
    await changeHandOut(world.context, team, b, { step: 1 });
    expect(await names()).toEqual(["a.txt", "c.txt", "b.txt"]);
    await Promise.all([bring("d.txt", "d"), bring("e.txt", "e"), changeHandOut(world.context, team, a, { step: 1 })]);
    const places = await world.context.db
      .select({ position: handOuts.position })
      .from(handOuts)
      .where(eq(handOuts.occurrenceId, event.occurrenceId));
    expect(new Set(places.map((one) => one.position)).size).toBe(5);
  });
  it("of somebody of the stage are shown at once, and theirs alone to take away; the audience shares none", async () => {
    const holder = async (role: "panelist" | "attendee") => ({
      holder: await holderOf(
        world.context,
        world.context.secrets.tokenFor(await addTicket(world, event, role, "Ines Marl"), 1),
      ),
    });
    const panelist = await holder("panelist");
    const own = await bring("mine.txt", "x", panelist);
    const others = await bring("theirs.txt", "x");
    expect((await shownHandOuts(world.context, event.occurrenceId)).map((one) => one.id)).toEqual([own]);
    expect(await refused(removeHandOut(world.context, panelist, others))).toBe("not-found");
    expect(await refused(removeHandOut(world.context, panelist, own))).toBe("done");
    expect(await refused(bring("x.txt", "x", await holder("attendee")))).toBe("not-allowed");
  });
  it("are at most fifty, and gone with a deleted event", async () => {
    const id = await bring("a.txt", "x");
    await show(id);
    for (let i = 0; i < 49; i++) await bring(`${i}.txt`, "x");
    expect(await refused(bring("one-more.txt", "x"))).not.toBe("done");
    await world.context.db.update(events).set({ deletedAt: world.clock.now() }).where(eq(events.id, event.eventId));
    expect(await refused(takeHandOut(world.context, id))).toBe("not-found");
  });
});

it.each([
  ["  ../../etc/passwd ", "etc passwd"],
  ["tide\u0000table\n.pdf", "tide table .pdf"],
  // a mark that turns the reading direction hides what a file is (Unicode TR 36)
  ["photo\u202Egpj.exe", "photo gpj.exe"],
  ['a<b>:"c".txt', "a b c .txt"],
  ["Gezeiten für Anfänger.pdf", "Gezeiten für Anfänger.pdf"],
])("the name %j is kept as %j", (raw, kept) => {
  expect(handOutName.parse(raw)).toBe(kept);
});
it("a name of nothing is none", () => {
  expect(handOutName.safeParse(" .. / ").success).toBe(false);
});
