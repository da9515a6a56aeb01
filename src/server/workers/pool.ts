import { join } from "node:path";
import { Piscina } from "piscina";
import { Refusal } from "@/core/shared";
import { budgetsMs, type HeavySums } from "./sums";
import type { Answer } from "./thread";

const most = { threads: 2, waiting: 50 };

/**
 * Threads for heavy sums: made when the first is asked for, gone when nobody asks for a minute. A sum over its
 * budget is broken off with its thread; the process goes on answering meanwhile.
 * @param budgets other budgets than the usual: for tests
 */
export function threadPool(budgets: Readonly<Record<keyof typeof budgetsMs, number>> = budgetsMs): HeavySums {
  let pool: Piscina<unknown, Answer> | null = null;
  const threads = () =>
    (pool ??= new Piscina<unknown, Answer>({
      filename: join(process.cwd(), "src/server/workers/thread.ts"),
      // threads read the very sources: they are no part of the framework's bundles
      execArgv: ["--import", "tsx"],
      minThreads: 0,
      maxThreads: most.threads,
      maxQueue: most.waiting,
      idleTimeout: 60_000,
    }));
  return {
    async run(name, input) {
      if (threads().queueSize >= most.waiting) throw new Refusal({ code: "busy", retryAfterMs: 2000 });
      const signal = AbortSignal.timeout(budgets[name]);
      const answer = await threads()
        .run({ name, input }, { signal })
        .catch((error: unknown) => {
          if (signal.aborted) throw new Refusal({ code: "too-heavy", budgetMs: budgets[name] });
          throw error;
        });
      if (!answer.ok) throw new Refusal(answer.failure);
      return answer.value as never;
    },
    async close() {
      await pool?.destroy();
    },
  };
}
