import { and, asc, eq, inArray, sql } from "drizzle-orm";
import { bestVersion, type EntryBody } from "@/core/room";
import { groupBy } from "@/core/shared";
import { pagesOn, pageStretches, type PageBeside, type PageTurn } from "@/core/watching";
import { mainRoomOf } from "../../db/queries/journal";
import { deckPages, decks, journal } from "../../db/schema";
import type { Context } from "../ground/context";
import { servedOf } from "./own-recording";
import type { OnDemand } from "./recordings";

/** Nobody turns more often in an hour. */
const mostTurns = 3000;

async function turnsOf({ db }: Context, occurrenceId: string): Promise<readonly PageTurn[]> {
  const room = await mainRoomOf(db, occurrenceId);
  if (!room) return [];
  const rows = await db
    .select({ at: journal.at, body: journal.body })
    .from(journal)
    .where(
      and(eq(journal.roomId, room.id), inArray(sql`${journal.body}->>'type'`, ["slides.shown", "slides.taken-down"])),
    )
    .orderBy(asc(journal.seq))
    .limit(mostTurns);
  return rows.map(({ at, body }) => {
    const entry = body as EntryBody;
    return { at, shown: entry.type === "slides.shown" ? { deckId: entry.deckId, page: entry.page } : null };
  });
}

/** Every ready page of a date's decks, by the deck that was shown and its number: in the version that fits a reader. */
async function picturesOf({ db }: Context, occurrenceId: string, wishes: readonly string[]) {
  const rows = await db
    .select({ deck: decks, page: deckPages })
    .from(decks)
    .innerJoin(deckPages, eq(deckPages.deckId, decks.id))
    .where(and(eq(decks.occurrenceId, occurrenceId), eq(deckPages.isReady, true)))
    .limit(20_000);
  const byPage = groupBy(rows, ({ deck, page }) => `${deck.versionOfId ?? deck.id} ${page.number}`);
  return (deckId: string, number: number) => {
    const versions = (byPage.get(`${deckId} ${number}`) ?? []).map(({ deck, page }) => ({
      language: deck.language,
      pictureId: page.id,
      pageCount: deck.pageCount,
    }));
    return bestVersion(versions, wishes);
  };
}

/** The pages that were shown, on the clock of what is watched (rule 25), for a reader of these languages. */
export async function pagesBeside(
  context: Context,
  item: OnDemand,
  wishes: readonly string[],
): Promise<readonly PageBeside[]> {
  const { recording } = item;
  const turns = await turnsOf(context, recording.occurrenceId);
  if (turns.length === 0) return [];
  const pictureOf = await picturesOf(context, recording.occurrenceId, wishes);
  const endAt = item.recordedAt + item.originalSeconds * 1000;
  const clock = {
    startAt: item.recordedAt,
    durationSeconds: item.originalSeconds,
    spans: recording.spans,
    kept: servedOf(recording).kept,
  };
  const lastAt = Math.max(endAt, recording.spans?.at(-1)?.to ?? 0);
  return pageStretches(pagesOn(turns, lastAt), clock).flatMap(({ deckId, page, startSeconds, endSeconds }) => {
    const found = pictureOf(deckId, page);
    return found ? [{ ...found, page, startSeconds, endSeconds }] : [];
  });
}
