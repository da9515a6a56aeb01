import { eq } from "drizzle-orm";
import { deckPages, decks } from "../../db/schema";
import { pageWidths, type MadePage } from "../../workers/deck-words";
import type { Context } from "../ground/context";
import { nextToTake } from "../ground/next-to-take";
import { deckFile, pictureFile, tellOfDecks, textFile, writeBytes, writeText } from "./decks";

type Deck = typeof decks.$inferSelect;
/** A maker that says nothing for so long, longer than it may take to begin, is gone: its deck is taken over. */
const silentAfterMs = 150_000;
const mostFontsNamed = 12;
/** Screens hear of new pages at most so often. */
const toldEveryMs = 1000;

const work = {
  table: decks,
  ...{ id: decks.id, claimedAt: decks.claimedAt, order: decks.createdAt },
  ...{ isWaiting: eq(decks.state, "waiting"), isUnderWay: eq(decks.state, "making") },
};

async function claim(context: Context): Promise<Deck | null> {
  const now = context.clock.now();
  const [deck] = await context.db
    .update(decks)
    .set({ state: "making", claimedAt: now })
    .where(eq(decks.id, nextToTake(work, now - silentAfterMs)))
    .returning();
  return deck ?? null;
}

async function keepPage(context: Context, deck: Deck, page: MadePage): Promise<void> {
  const id = context.ids.id();
  const notesId = page.notes === "" ? null : context.ids.id();
  for (const [i, picture] of page.pictures.entries())
    await writeBytes(context, pictureFile(id, pageWidths[i]!), picture);
  await writeText(context, textFile(id), page.text);
  if (notesId) await writeText(context, textFile(notesId), page.notes);
  await context.db
    .insert(deckPages)
    .values({ id, deckId: deck.id, number: page.number, isReady: true, notesId })
    .onConflictDoNothing();
}

/** The pages of one deck, told of as they come. */
async function makePages(context: Context, deck: Deck, path: string): Promise<void> {
  const ofDeck = eq(decks.id, deck.id);
  // begun before by somebody who is gone: what stands is made anew, so that no page is there twice
  await context.db.delete(deckPages).where(eq(deckPages.deckId, deck.id));
  let toldAt = 0;
  const missing = new Set<string>();
  for await (const word of context.makeDeck(path)) {
    const now = context.clock.now();
    if (word.kind === "failed") {
      await context.db.update(decks).set({ state: "failed", failure: word.failure }).where(ofDeck);
      return;
    }
    if (word.kind === "pages") await context.db.update(decks).set({ pageCount: word.count }).where(ofDeck);
    if (word.kind === "page") {
      await keepPage(context, deck, word.page);
      for (const font of word.page.missingFonts) if (missing.size < mostFontsNamed) missing.add(font.slice(0, 80));
    }
    if (word.kind === "page-failed")
      await context.db
        .insert(deckPages)
        .values({ id: context.ids.id(), deckId: deck.id, number: word.number, isReady: false })
        .onConflictDoNothing();
    if (now - toldAt < toldEveryMs) continue;
    toldAt = now;
    const [still] = await context.db.update(decks).set({ claimedAt: now }).where(ofDeck).returning({ id: decks.id });
    // taken away meanwhile: nobody waits for its pages
    if (!still) return;
    await context.db.transaction((tx) => tellOfDecks(context, tx, deck.occurrenceId));
  }
  await context.db
    .update(decks)
    .set({ state: "ready", missingFonts: [...missing] })
    .where(ofDeck);
}

/** Makes the pages of every deck that waits (rule 20), one after another. */
export async function makeDecks(context: Context): Promise<number> {
  let made = 0;
  for (let deck = await claim(context); deck; deck = await claim(context)) {
    try {
      const made = deck;
      await context.storage.withPaths([deckFile(deck.id)], ([path]) => makePages(context, made, path!));
    } catch (error) {
      context.log.error("a deck could not be made", error, { deckId: deck.id });
      await context.db.update(decks).set({ state: "failed", failure: "broken-pdf" }).where(eq(decks.id, deck.id));
    }
    await context.db.transaction((tx) => tellOfDecks(context, tx, deck.occurrenceId));
    made += 1;
  }
  return made;
}
