import { execFileSync } from "node:child_process";
import { mkdtempSync, readFileSync, writeFileSync } from "node:fs";
import { tmpdir } from "node:os";
import { join } from "node:path";
import sharp from "sharp";
import { afterAll, beforeAll, describe, expect, it } from "vitest";
import { mostDeckBytes } from "@/contracts";
import { deckPages, decks, occurrences, segments } from "@/server/db/schema";
import { loadDecks } from "@/server/room/slides/decks";
import { deckPart } from "@/server/services/hour/deck-files";
import { addDeck, deckFile, pictureFile, removeDeck, saveNotes, setHandOut } from "@/server/services/hour/decks";
import { makeDecks } from "@/server/services/hour/make-decks";
import { addStagePerson } from "@/server/services/people/stage-people";
import { loadRunSheet, saveRunSheet } from "@/server/services/planning/run-sheets";
import { holderOf } from "@/server/services/way-in/tickets";
import { makeDeck } from "@/server/workers/deck-maker";
import { deckOf, deckOfBytes, deckWithoutItsFont, deckWithScript, lockedPdf, streamOf } from "../support/pdf";
import { makeEvent, makeWorld, type MadeEvent, type World } from "../support/world";
import { eq } from "drizzle-orm";
import { randomUUID } from "node:crypto";
import { codeOf } from "../support/code-of";

let world: World;
let event: MadeEvent;
beforeAll(async () => {
  world = await makeWorld();
  event = await makeEvent(world, { startLocal: "2026-11-27T18:00" });
});
afterAll(() => world.close());

const by = () => ({ member: world.owner });
const tides = { title: "Tides", language: "en" };
const bring = async (bytes: Uint8Array<ArrayBuffer>, about: object = tides) =>
  addDeck(world.context, by(), event.occurrenceId, about, streamOf(bytes), bytes.byteLength);
const made = async (bytes: Uint8Array<ArrayBuffer>, about: object = tides) => {
  const id = await bring(bytes, about);
  await makeDecks(world.context);
  return { id, deck: (await loadDecks(world.context.db, event.occurrenceId)).get(id)! };
};
const textOf = async (id: string) => new Response((await deckPart(world.context, id, "text")).body).text();
const bytesOf = async (id: string, part: string) =>
  Buffer.from(await new Response((await deckPart(world.context, id, part)).body).arrayBuffer());

describe("rule 20: pages of a PDF", () => {
  it("are made as WebP 1600 and 800 px wide, with their text, and notes from the file's own annotations", async () => {
    const { deck } = await made(
      await deckOf([{ text: "Neap and spring", note: "Ask who has seen both." }, { text: "The roosts" }]),
    );
    expect(deck).toMatchObject({ state: "ready", pageCount: 2, failedPages: [], language: "en" });
    const [first, second] = deck.pictureIds as [string, string];
    for (const width of [1600, 800]) {
      const picture = await sharp(await bytesOf(first, String(width))).metadata();
      expect([picture.format, picture.width, picture.height]).toEqual(["webp", width, (width * 9) / 16]);
    }
    expect([await textOf(first), await textOf(second)]).toEqual(["Neap and spring", "The roosts"]);
    expect(await textOf(deck.notesIds[0]!)).toBe("Ask who has seen both.");
    expect(deck.notesIds[1]).toBeNull();
  });

  it("look as another program draws them (poppler's pdftoppm): a mean difference below 2 %", async () => {
    const bytes = await deckOf([
      { text: "Low water at 06:40" },
      { text: "High water at 12:55" },
      { text: "Sightings" },
    ]);
    const folder = mkdtempSync(join(tmpdir(), "deck-"));
    writeFileSync(join(folder, "deck.pdf"), bytes);
    execFileSync("pdftoppm", [
      "-png",
      "-scale-to-x",
      "800",
      "-scale-to-y",
      "450",
      join(folder, "deck.pdf"),
      join(folder, "page"),
    ]);
    const { deck } = await made(bytes);
    for (const [i, id] of deck.pictureIds.entries()) {
      const grey = (picture: Buffer) =>
        sharp(picture).resize(800, 450, { fit: "fill" }).removeAlpha().greyscale().raw().toBuffer();
      const [ours, theirs] = [
        await grey(await bytesOf(id!, "800")),
        await grey(readFileSync(join(folder, `page-${i + 1}.png`))),
      ];
      const difference = ours.reduce((sum, value, at) => sum + Math.abs(value - theirs[at]!), 0) / ours.length / 255;
      console.log(`page ${i + 1}: ${(100 * difference).toFixed(2)} % from poppler's`);
      expect(difference).toBeLessThan(0.02);
    }
  });

  it("are told of one by one, and taken over where their maker fell silent, without one twice", async () => {
    const id = await bring(await deckOf([{ text: "One" }, { text: "Two" }]));
    const { db, clock } = { ...world.context, clock: world.clock };
    await db.update(decks).set({ state: "making", claimedAt: clock.now() }).where(eq(decks.id, id));
    expect(await makeDecks(world.context)).toBe(0);
    clock.advance(3 * 60_000);
    expect(await makeDecks(world.context)).toBe(1);
    expect(await db.$count(deckPages, eq(deckPages.deckId, id))).toBe(2);
    const words = await world.context.storage.withPaths([deckFile(id)], async ([path]) => {
      const said = [];
      for await (const word of makeDeck(path!)) said.push(word.kind);
      return said;
    });
    expect(words).toEqual(["pages", "page", "page"]);
  });
});

describe("slides that cannot be", () => {
  it("are refused where they are no PDF, whatever the name says; nothing is kept", async () => {
    const before = await world.context.db.$count(decks);
    expect(await codeOf(bring(new TextEncoder().encode("PK\u0003\u0004 slides.pptx") as Uint8Array<ArrayBuffer>))).toBe(
      "bad-file",
    );
    expect(await codeOf(bring(await deckOf([{ text: "x" }]), { title: "x", language: "no language at all" }))).toBe(
      "invalid-input",
    );
    expect(await codeOf(bring(await deckOf([{ text: "x" }]), { ...tides, versionOfId: randomUUID() }))).toBe(
      "not-found",
    );
    expect(await world.context.db.$count(decks)).toBe(before);
  });
  it.each([
    ["locked with a password", lockedPdf, "locked-pdf"],
    ["broken", () => new TextEncoder().encode("%PDF-1.7\nnothing more") as Uint8Array<ArrayBuffer>, "broken-pdf"],
  ] as const)("say why: %s", async (_, bytes, failure) => {
    const { deck } = await made(bytes(), { ...tides, title: failure });
    expect([deck.state, deck.failure, deck.pageCount]).toEqual(["failed", failure, 0]);
  });
  it("are made all the same where a font is missing, and name it; what fonts are embedded or standard is not named", async () => {
    const { deck } = await made(await deckWithoutItsFont("ABCDEF+FenmoorSans-Bold"));
    expect(deck).toMatchObject({ state: "ready", pageCount: 1, missingFonts: ["FenmoorSans-Bold"] });
    expect(await textOf(deck.pictureIds[0]!)).toBe("Low water");
    // something stands there in the place of its letters
    const { data } = await sharp(await bytesOf(deck.pictureIds[0]!, "800"))
      .greyscale()
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(data.filter((value) => value < 100).length).toBeGreaterThan(200);
    expect((await made(await deckOf([{ text: "Plain" }]))).deck.missingFonts).toEqual([]);
  });
  it("are drawn and never run: a script in the file does nothing", async () => {
    const { deck } = await made(await deckWithScript());
    expect(deck).toMatchObject({ state: "ready", pageCount: 1, failedPages: [] });
    expect(await textOf(deck.pictureIds[0]!)).toBe("Looks like any other");
  });
  it("may be as heavy as 100 MB; more is refused, said before or not, and nothing is kept", async () => {
    const heavy = await deckOfBytes(mostDeckBytes - 100_000);
    const { deck } = await made(heavy);
    expect(deck).toMatchObject({ state: "ready", pageCount: 2, failedPages: [] });
    const count = await world.context.db.$count(decks);
    const over = new Blob([heavy, new Uint8Array(200_000)]);
    const lying = addDeck(world.context, by(), event.occurrenceId, tides, over.stream(), null);
    expect(await codeOf(lying)).toBe("file-too-large");
    const honest = addDeck(world.context, by(), event.occurrenceId, tides, over.stream(), over.size);
    expect(await codeOf(honest)).toBe("file-too-large");
    expect(await world.context.db.$count(decks)).toBe(count);
  });
  it("say why: more than 500 pages", async () => {
    const { deck } = await made(await deckOf(Array.from({ length: 501 }, (_, i) => ({ text: `${i}` }))));
    expect([deck.state, deck.failure]).toEqual(["failed", "too-many-pages"]);
  });
});

describe("whose slides", () => {
  it("a panelist brings and takes away their own by their link, nobody else's; attendees none", async () => {
    const { context } = world;
    const person = {
      name: "Oskar Vell",
      email: "oskar.slides@example.net",
      role: "panelist",
      duties: [],
      languages: null,
    };
    const ticketId = await addStagePerson(context, world.owner, event.eventId, person);
    const holder = await holderOf(context, context.secrets.tokenFor(ticketId, 1));
    const bytes = await deckOf([{ text: "Mine" }]);
    const own = await addDeck(context, { holder }, event.occurrenceId, tides, streamOf(bytes), null);
    const { id: teams } = await made(bytes);
    expect(await codeOf(removeDeck(context, { holder }, teams))).toBe("not-found");
    await removeDeck(context, { holder }, own);
    expect(await context.db.$count(decks, eq(decks.id, own))).toBe(0);
    const guest = { ...holder, actor: { role: "attendee" as const, duties: [] } };
    expect(await codeOf(addDeck(context, { holder: guest }, event.occurrenceId, tides, streamOf(bytes), null))).toBe(
      "not-allowed",
    );
    // rule 6: while the date is to come or on, and no later
    const ofDate = eq(occurrences.id, event.occurrenceId);
    await context.db.update(occurrences).set({ phase: "ended" }).where(ofDate);
    expect(await codeOf(addDeck(context, { holder }, event.occurrenceId, tides, streamOf(bytes), null))).toBe(
      "wrong-state",
    );
    await context.db.update(occurrences).set({ phase: "scheduled" }).where(ofDate);
  });

  it("go with their versions and every file; segments stay without", async () => {
    const { context } = world;
    const { id, deck } = await made(await deckOf([{ text: "First" }]));
    const version = await made(await deckOf([{ text: "Primeiro" }]), {
      title: "Marés",
      language: "pt",
      versionOfId: id,
    });
    expect(version.deck.versionOfId).toBe(id);
    const { runSheet, tag } = await loadRunSheet(context, world.owner, event.eventId);
    const segment = {
      id: randomUUID(),
      title: "Shown",
      lengthMinutes: 5,
      fixedStartLocal: null,
      leaderTicketId: null,
      besideTicketIds: [],
      pollId: null,
    };
    const sheet = { ...runSheet, segments: [{ ...segment, deckId: id, deckPage: 1 }] };
    await saveRunSheet(context, world.owner, event.eventId, sheet, null, tag);
    expect(
      await codeOf(
        saveRunSheet(context, world.owner, event.eventId, {
          ...sheet,
          segments: [{ ...segment, deckId: randomUUID(), deckPage: 1 }],
        }),
      ),
    ).toBe("invalid-input");
    await removeDeck(context, by(), id);
    expect(
      await context.db.select({ deckId: segments.deckId }).from(segments).where(eq(segments.id, segment.id)),
    ).toEqual([{ deckId: null }]);
    expect(await context.db.$count(decks, eq(decks.id, version.id))).toBe(0);
    for (const name of [deckFile(id), deckFile(version.id), pictureFile(deck.pictureIds[0]!, 800)])
      await expect(context.storage.size(name)).rejects.toThrow();
  });

  it("are given away only where that is set, under their own name", async () => {
    const { id } = await made(await deckOf([{ text: "Take me" }]), { title: "Tides / 2", language: "en" });
    expect(await codeOf(deckPart(world.context, id, "file"))).toBe("not-found");
    await setHandOut(world.context, world.owner, id, true);
    const { headers } = await deckPart(world.context, id, "file");
    expect(headers["content-disposition"]).toBe("attachment; filename*=UTF-8''Tides%20%2F%202.pdf");
    expect(await codeOf(deckPart(world.context, id, "../secret"))).toBe("not-found");
  });

  it("have notes that are typed: another address each time, the old words gone", async () => {
    const { id, deck } = await made(await deckOf([{ text: "Noted", note: "From the file" }]));
    await saveNotes(world.context, by(), id, 1, "  Breathe first. ");
    const after = (await loadDecks(world.context.db, event.occurrenceId)).get(id)!;
    expect(after.notesIds[0]).not.toBe(deck.notesIds[0]);
    expect(await textOf(after.notesIds[0]!)).toBe("Breathe first.");
    expect(await codeOf(textOf(deck.notesIds[0]!))).toBe("not-found");
    await saveNotes(world.context, by(), id, 1, "");
    expect((await loadDecks(world.context.db, event.occurrenceId)).get(id)!.notesIds).toEqual([null]);
    expect(await codeOf(saveNotes(world.context, by(), id, 9, "x"))).toBe("not-found");
  });
});
