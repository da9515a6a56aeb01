import { join } from "node:path";
import type { DeckJob } from "./deck-thread";
import type { DeckWord } from "./deck-words";

export const mostPages = 500;
/** A page that takes longer is given up, and the thread with it; the next one begins behind it. */
const pageBudgetMs = 20_000;
const threadMegabytes = 1024;

/** Words of one thread, until it is done, silent for too long, or dead. */
async function* wordsOf(job: DeckJob): AsyncGenerator<DeckWord | { readonly kind: "gone" }> {
  // asked for by its name: the framework's bundler follows threads that it sees begun, and cannot pack what they need
  const { Worker } = process.getBuiltinModule("node:worker_threads");
  const thread = new Worker(join(process.cwd(), "src/server/workers/deck-entry.mjs"), {
    workerData: job,
    resourceLimits: { maxOldGenerationSizeMb: threadMegabytes },
  });
  const waiting: DeckWord[] = [];
  let isOver = false;
  let wake: () => void = () => {};
  thread.on("message", (word: DeckWord) => {
    waiting.push(word);
    wake();
  });
  // a page beyond the thread's memory ends it with an error: the same as silence
  thread.on("error", () => wake());
  thread.on("exit", () => {
    isOver = true;
    wake();
  });
  try {
    for (;;) {
      const word = waiting.shift();
      if (word) yield word;
      else if (isOver) return;
      else {
        const timedOut = await new Promise<boolean>((done) => {
          const timer = setTimeout(() => done(true), pageBudgetMs);
          wake = () => {
            clearTimeout(timer);
            done(false);
          };
        });
        if (timedOut) return yield { kind: "gone" };
      }
    }
  } finally {
    await thread.terminate();
  }
}

/**
 * Every page of a PDF in turn, made in a thread of its own. A page that fails or takes too long is named and the rest
 * stand; a file of which nothing can be made is one word.
 */
export async function* makeDeck(path: string): AsyncGenerator<DeckWord> {
  let count: number | null = null;
  let next = 1;
  while (count === null || next <= count) {
    const before: number = next;
    for await (const word of wordsOf({ path, fromPage: next, mostPages })) {
      if (word.kind === "gone") break;
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
