import type { DeckJob } from "./deck-thread";
import type { DeckWord } from "./deck-words";
import { threadWords } from "./thread-words";

export const mostPages = 500;
/** A page that takes longer is given up, and the thread with it; the next one begins behind it. */
const pageBudgetMs = 20_000;
/** Until the libraries are read and the file is opened: a crowded machine takes its time. */
const startBudgetMs = 120_000;
const bounds = { silentMs: pageBudgetMs, startMs: startBudgetMs, megabytes: 1024 };

/**
 * Every page of a PDF in turn, made in a thread of its own. A page that fails or takes too long is named and the rest
 * stand; a file of which nothing can be made is one word.
 */
export async function* makeDeck(path: string): AsyncGenerator<DeckWord> {
  let count: number | null = null;
  let next = 1;
  while (count === null || next <= count) {
    const before: number = next;
    const job: DeckJob = { path, fromPage: next, mostPages };
    for await (const word of threadWords<DeckWord>("deck-entry.mjs", job, bounds)) {
      // a page beyond the thread's memory ends it with an error: the same as silence
      if (word === "silent" || word === "broken") break;
      if (word.kind === "failed") return yield word;
      if (word.kind === "pages") {
        if (count === null) yield word;
        count = word.count;
        continue;
      }
      next = (word.kind === "page" ? word.page.number : word.number) + 1;
      yield word;
    }
    if (count === null) return yield { kind: "failed", failure: "broken-pdf" };
    // the thread is gone before its last page: the one it was at is given up
    if (next <= count) {
      yield { kind: "page-failed", number: next };
      next += 1;
    }
    if (next === before) return;
  }
}
