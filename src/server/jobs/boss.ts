import PgBoss from "pg-boss";
import { sql } from "drizzle-orm";
import type { Db } from "../db/client";
import { jobNames, type Queue } from "../platform/queue";
import type { Log } from "../platform/log";

/** The database queue. A job sent within a transaction exists only if that commits. */
export function bossQueue(boss: PgBoss): Queue {
  return {
    async enqueue(name, within) {
      const db = within as Db | undefined;
      const runner = db && {
        executeSql: async (text: string, values: unknown[]) => {
          // the library numbers its parameters; the query builder takes them as chunks
          const chunks = text
            .split(/\$(\d+)/)
            .map((part, i) => (i % 2 === 0 ? sql.raw(part) : sql`${sql.param(values[Number(part) - 1])}`));
          const { rows } = await db.execute(sql.join(chunks, sql.raw("")));
          return { rows };
        },
      };
      await boss.send(name, {}, { singletonKey: name, retryLimit: 3, ...(runner ? { db: runner } : {}) });
    },
  };
}

export async function startBoss(url: string, log: Log): Promise<PgBoss> {
  const boss = new PgBoss({ connectionString: url, schema: "queue", max: 4 });
  boss.on("error", (error) => log.warn("queue", { code: (error as { code?: string }).code }));
  await boss.start();
  for (const name of jobNames) await boss.createQueue(name);
  return boss;
}
