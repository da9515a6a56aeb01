import { asc, eq, inArray } from "drizzle-orm";
import type { DirectoryDeck } from "@/core/room";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { deckPages, decks } from "../../db/schema";

/** Decks of one date, their versions among them. */
export const mostDecks = 30;

/** The decks of one date as its screens need them: where each page's pictures are, never what stands on it. */
export async function loadDecks(db: Db, occurrenceId: string): Promise<ReadonlyMap<string, DirectoryDeck>> {
  const rows = await db
    .select()
    .from(decks)
    .where(eq(decks.occurrenceId, occurrenceId))
    .orderBy(asc(decks.createdAt), asc(decks.id))
    .limit(mostDecks);
  const pages =
    rows.length === 0
      ? []
      : await db
          .select()
          .from(deckPages)
          .where(
            inArray(
              deckPages.deckId,
              rows.map((row) => row.id),
            ),
          );
  const pagesOf = groupBy(pages, (page) => page.deckId);
  return new Map(
    rows.map(({ id, title, language, versionOfId, isHandOut, state, failure, pageCount, missingFonts }) => {
      const own = new Map((pagesOf.get(id) ?? []).map((page) => [page.number, page]));
      const each = <T>(of: (page: typeof deckPages.$inferSelect | undefined) => T): T[] =>
        Array.from({ length: pageCount }, (_, i) => of(own.get(i + 1)));
      return [
        id,
        {
          ...{ id, title, language, versionOfId, isHandOut, state, failure, pageCount, missingFonts },
          pictureIds: each((page) => (page?.isReady ? page.id : null)),
          notesIds: each((page) => page?.notesId ?? null),
          failedPages: [...own.values()].flatMap((page) => (page.isReady ? [] : [page.number])).sort((a, b) => a - b),
        },
      ];
    }),
  );
}
