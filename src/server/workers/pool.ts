import { join } from "node:path";
import { Piscina } from "piscina";
import { Refusal } from "@/core/shared";
import { budgetsMs, isLight, sumsHere, type HeavySums, type SumInput, type SumName } from "./sums";
import type { Answer } from "./thread";

const most = { threads: 2, waiting: 50 };

/** So many at once, the others in turn: a sum's budget begins when it is begun, not while it waits. */
class Turns {
  private running = 0;
  private readonly waiting: (() => void)[] = [];

  async take<T>(run: () => Promise<T>): Promise<T> {
    if (this.running >= most.threads) {
      if (this.waiting.length >= most.waiting) throw new Refusal({ code: "busy", retryAfterMs: 2000 });
      await new Promise<void>((enter) => this.waiting.push(enter));
    } else this.running += 1;
    try {
      return await run();
    } finally {
      const next = this.waiting.shift();
      if (next) next();
      else this.running -= 1;
    }
  }
}

/**
 * Threads for heavy sums, made when the first is asked for. A sum over its budget is broken off with its thread; the
 * process goes on answering meanwhile. What is light is done at once: a thread would cost more than the sum.
 * @param budgets other budgets than the usual: for tests
 */
export function threadPool(budgets: Readonly<Record<SumName, number>> = budgetsMs): HeavySums {
  let pool: Piscina<unknown, Answer> | null = null;
  const turns = new Turns();
  const threads = () =>
    (pool ??= new Piscina<unknown, Answer>({
      filename: join(process.cwd(), "src/server/workers/thread.ts"),
      // threads read the very sources: they are no part of the framework's bundles
      execArgv: ["--import", "tsx"],
      minThreads: 1,
      maxThreads: most.threads,
    }));

  async function inThread<N extends SumName>(name: N, input: SumInput<N>): Promise<Answer> {
    // a thread that starts, or comes in the place of one broken off, takes seconds on a busy machine: none of the sum's
    await threads().run({ name: "ready" });
    const signal = AbortSignal.timeout(budgets[name]);
    return threads()
      .run({ name, input }, { signal })
      .catch((error: unknown) => {
        if (signal.aborted) throw new Refusal({ code: "too-heavy", budgetMs: budgets[name] });
        throw error;
      });
  }
  return {
    async run(name, input) {
      if (isLight(name, input)) return sumsHere.run(name, input);
      const answer = await turns.take(() => inThread(name, input));
      if (!answer.ok) throw new Refusal(answer.failure);
      return answer.value as never;
    },
    async close() {
      await pool?.destroy();
    },
  };
}
