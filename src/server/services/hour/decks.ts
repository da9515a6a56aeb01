import { and, eq, inArray, or } from "drizzle-orm";
import { deckInput, mostDeckBytes, type DeckInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { deckPages, decks, segments } from "../../db/schema";
import type { DeckItem } from "@/core/room";
import { loadDecks, mostDecks } from "../../room/slides/decks";
import { pageWidths } from "../../workers/deck-words";
import type { TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, oneOf, parse, wrongInput, type Context } from "../ground/context";
import { appendRows } from "../ground/room/commands";
import { bytesToSpare } from "../ground/store-room";
import type { Holder } from "../way-in/tickets";
import { placeOf, type Bringer, type BringPlace } from "./bring";

type Deck = typeof decks.$inferSelect;

/** Names in the storage. */
export const deckFile = (id: string): string => `${id}.pdf`;
export const pictureFile = (pageId: string, width: number): string => `${pageId}-${width}.webp`;
export const textFile = (id: string): string => `${id}.txt`;

/** Every screen of the date reads its decks again. @param tx holds the room's lock until it ends */
export const tellOfDecks = (context: Context, tx: Db, occurrenceId: string) =>
  appendRows(context, tx, occurrenceId, () => [{ type: "slides.decks-changed" }], "system");

/** Names of everything that is kept of decks. */
export const deckFiles = (
  deckIds: readonly string[],
  pages: readonly { readonly id: string; readonly notesId: string | null }[],
): readonly string[] => [
  ...deckIds.map(deckFile),
  ...pages.flatMap(({ id, notesId }) => [
    ...pageWidths.map((width) => pictureFile(id, width)),
    textFile(id),
    ...(notesId ? [textFile(notesId)] : []),
  ]),
];

async function mainOf(db: Db, place: BringPlace, versionOfId: string | null): Promise<string | null> {
  if (versionOfId === null) return null;
  const [main] = await db
    .select({ id: decks.id, versionOfId: decks.versionOfId })
    .from(decks)
    .where(and(eq(decks.id, versionOfId), eq(decks.occurrenceId, place.occurrenceId)));
  if (!main) throw notFound("deck");
  // a version of a version belongs to the first
  return main.versionOfId ?? main.id;
}

/** What is asked before a single byte comes: may they, is there room, is it few enough. @returns the bytes it may have */
export async function mayAddDeck(
  context: Context,
  by: Bringer,
  occurrenceId: string,
  rawInput: unknown,
  expectedBytes: number | null,
): Promise<{ readonly place: BringPlace; readonly input: DeckInput; readonly maxBytes: number }> {
  const place = await placeOf(context, by, occurrenceId, "deck.bring");
  const input = parse(deckInput, rawInput);
  if ((await context.db.$count(decks, eq(decks.occurrenceId, occurrenceId))) >= mostDecks)
    throw wrongInput("file", "too-many-decks", { most: mostDecks });
  if (expectedBytes !== null && expectedBytes > mostDeckBytes)
    throw new Refusal({ code: "file-too-large", limitBytes: mostDeckBytes });
  await mainOf(context.db, place, input.versionOfId);
  const maxBytes = await bytesToSpare(context, place.organisationId, mostDeckBytes, expectedBytes);
  return { place, input, maxBytes };
}

/** Takes slides whole or not at all: a PDF by its content, whatever the name says. Its pages are made behind it. */
export async function addDeck(
  context: Context,
  by: Bringer,
  occurrenceId: string,
  rawInput: unknown,
  body: ReadableStream<Uint8Array>,
  expectedBytes: number | null,
): Promise<string> {
  const { place, input, maxBytes } = await mayAddDeck(context, by, occurrenceId, rawInput, expectedBytes);
  const id = context.ids.id();
  const sizeBytes = await context.storage.write(deckFile(id), body, { maxBytes, expectedBytes });
  try {
    // ISO 32000-1 §7.5.2: the header; programs look for it within the first kilobyte
    const head = Buffer.from(await context.storage.head(deckFile(id), 1024)).toString("latin1");
    if (!head.includes("%PDF-")) throw new Refusal({ code: "bad-file", reason: "not-a-pdf" });
    await context.db.transaction(async (tx) => {
      const versionOfId = await mainOf(tx, place, input.versionOfId);
      const { title, language } = input;
      const { organisationId, ownTicketId: ticketId } = place;
      const row = { id, organisationId, occurrenceId, title, language, versionOfId, ticketId, sizeBytes };
      await tx.insert(decks).values({ ...row, createdAt: context.clock.now() });
      await tellOfDecks(context, tx, occurrenceId);
      await context.queue.enqueue("make-decks", tx);
      await audit(context, tx, {
        organisationId,
        actorId: place.actorId,
        action: "deck.add",
        eventId: place.eventId,
        occurrenceId,
      });
    });
    return id;
  } catch (error) {
    await context.storage.remove(deckFile(id));
    throw error;
  }
}

async function changeable(context: Context, by: Bringer, deckId: string): Promise<{ deck: Deck; place: BringPlace }> {
  const [deck] = await context.db.select().from(decks).where(eq(decks.id, deckId));
  if (!deck) throw notFound("deck");
  const place = await placeOf(context, by, deck.occurrenceId, "deck.bring");
  if (place.ownTicketId !== null && place.ownTicketId !== deck.ticketId) throw notFound("deck");
  return { deck, place };
}

/** Whether people may take the file away with them. */
export async function setHandOut(
  context: Context,
  member: TeamMember,
  deckId: string,
  isHandOut: boolean,
): Promise<void> {
  const { deck } = await changeable(context, { member }, deckId);
  await context.db.transaction(async (tx) => {
    await tx.update(decks).set({ isHandOut }).where(eq(decks.id, deck.id));
    await tellOfDecks(context, tx, deck.occurrenceId);
  });
}

/** Takes a deck and its versions away, with every page; segments go on without. */
export async function removeDeck(context: Context, by: Bringer, deckId: string): Promise<void> {
  const { deck, place } = await changeable(context, by, deckId);
  const gone = await context.db.transaction(async (tx) => {
    const ofDeck = or(eq(decks.id, deck.id), eq(decks.versionOfId, deck.id))!;
    const ids = (await tx.select({ id: decks.id }).from(decks).where(ofDeck)).map((one) => one.id);
    const pages = await tx.select().from(deckPages).where(inArray(deckPages.deckId, ids));
    await tx.update(segments).set({ deckId: null, deckPage: 1 }).where(inArray(segments.deckId, ids));
    await tx.delete(decks).where(inArray(decks.id, ids));
    await appendRows(
      context,
      tx,
      deck.occurrenceId,
      (room) => [
        ...(room.slides.shown && ids.includes(room.slides.shown.deckId)
          ? [{ type: "slides.taken-down" as const }]
          : []),
        { type: "slides.decks-changed" as const },
      ],
      "system",
    );
    await audit(context, tx, {
      organisationId: place.organisationId,
      actorId: place.actorId,
      action: "deck.remove",
      eventId: place.eventId,
      occurrenceId: deck.occurrenceId,
    });
    return { ids, pages };
  });
  for (const name of deckFiles(gone.ids, gone.pages)) await context.storage.remove(name);
}

/** Notes for whoever turns, typed for one page; they take the place of what the file said. */
export async function saveNotes(
  context: Context,
  by: Bringer,
  deckId: string,
  number: number,
  rawText: unknown,
): Promise<void> {
  const { deck } = await changeable(context, by, deckId);
  const text = parse(deckInput.shape.notes, rawText);
  const ofPage = and(eq(deckPages.deckId, deck.id), eq(deckPages.number, number));
  const [page] = await context.db.select().from(deckPages).where(ofPage);
  oneOf(page ? [page] : [], "page");
  // another id: what was read under the old one is never the new words
  const notesId = text === "" ? null : context.ids.id();
  if (notesId) await writeText(context, textFile(notesId), text);
  await context.db.transaction(async (tx) => {
    await tx.update(deckPages).set({ notesId }).where(ofPage);
    await tellOfDecks(context, tx, deck.occurrenceId);
  });
  if (page!.notesId) await context.storage.remove(textFile(page!.notesId));
}

export const writeText = (context: Context, name: string, text: string): Promise<number> =>
  writeBytes(context, name, new TextEncoder().encode(text));
export const writeBytes = (context: Context, name: string, bytes: Uint8Array): Promise<number> =>
  context.storage.write(name, new Blob([bytes as Uint8Array<ArrayBuffer>]).stream(), {
    maxBytes: bytes.byteLength,
    expectedBytes: bytes.byteLength,
  });

/** The decks of a date as screens take them. */
export async function dateDecks(context: Context, occurrenceId: string): Promise<Record<string, DeckItem>> {
  const all = await loadDecks(context.db, occurrenceId);
  return Object.fromEntries([...all].map(([id, { id: _, ...deck }]) => [id, deck]));
}

/** Those of a holder's own. */
export async function ownDecks(context: Context, { occurrence, ticket }: Holder): Promise<Record<string, DeckItem>> {
  const rows = await context.db
    .select({ id: decks.id })
    .from(decks)
    .where(and(eq(decks.occurrenceId, occurrence.id), eq(decks.ticketId, ticket.id)));
  const mine = new Set(rows.map((row) => row.id));
  return Object.fromEntries(Object.entries(await dateDecks(context, occurrence.id)).filter(([id]) => mine.has(id)));
}
