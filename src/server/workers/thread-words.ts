import { join } from "node:path";

interface Options {
  /** silent for longer, a thread is taken for dead */
  readonly silentMs?: number;
  /** before its first word it has so long: reading its libraries is no fault of the work (silentMs where left out) */
  readonly startMs?: number;
  readonly megabytes?: number;
}

/**
 * What one thread says, in order, until it is done or dead; "silent" where it said nothing for too long.
 * @param entry its file beside this one
 */
export async function* threadWords<Word>(
  entry: string,
  workerData: unknown,
  { silentMs, startMs = silentMs, megabytes }: Options = {},
): AsyncGenerator<Word | "silent" | "broken"> {
  // asked for by its name: the framework's bundler follows threads that it sees begun, and cannot pack what they need
  const { Worker } = process.getBuiltinModule("node:worker_threads");
  const thread = new Worker(join(process.cwd(), "src/server/workers", entry), {
    workerData,
    ...(megabytes === undefined ? {} : { resourceLimits: { maxOldGenerationSizeMb: megabytes } }),
  });
  const waiting: (Word | "broken")[] = [];
  let isOver = false;
  let hasSpoken = false;
  let wake: () => void = () => {};
  const take = (word: Word | "broken") => {
    waiting.push(word);
    wake();
  };
  thread.on("message", (word: Word) => take(word));
  thread.on("error", () => take("broken"));
  thread.on("exit", () => {
    isOver = true;
    wake();
  });
  try {
    for (;;) {
      const word = waiting.shift();
      if (word !== undefined) {
        hasSpoken = true;
        yield word;
      } else if (isOver) return;
      else if (await isSilentFor(hasSpoken ? silentMs : startMs, (heard) => (wake = heard))) return yield "silent";
    }
  } finally {
    await thread.terminate();
  }
}

/** @returns whether nothing was heard for so long; without a bound it waits until something is */
function isSilentFor(ms: number | undefined, listen: (heard: () => void) => void): Promise<boolean> {
  return new Promise((done) => {
    const timer = ms === undefined ? undefined : setTimeout(() => done(true), ms);
    listen(() => {
      clearTimeout(timer);
      done(false);
    });
  });
}
