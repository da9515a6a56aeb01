import { drizzle, type NodePgDatabase } from "drizzle-orm/node-postgres";
import { DrizzleQueryError } from "drizzle-orm/errors";
import { PgPreparedQuery } from "drizzle-orm/pg-core";
import pg from "pg";
import type { Log } from "../platform/log";
import { beginWithFirstStatement } from "./begin";
import * as schema from "./schema";

/** The database, or a transaction on it: queries take either. */
export type Db = Pick<
  NodePgDatabase<typeof schema>,
  "select" | "insert" | "update" | "delete" | "execute" | "selectDistinct" | "$count"
> & {
  transaction: NodePgDatabase<typeof schema>["transaction"];
};

export interface Database {
  readonly db: Db;
  readonly pool: pg.Pool;
  close(): Promise<void>;
}

/** A failed query names its statement and its cause, never its values: those would reach the logs. */
function withoutValues(): void {
  const queries = PgPreparedQuery.prototype as unknown as {
    queryWithCache: (text: string, params: unknown[], run: () => Promise<unknown>) => Promise<unknown>;
    isQuiet?: true;
  };
  if (queries.isQuiet) return;
  const original = queries.queryWithCache;
  queries.isQuiet = true;
  queries.queryWithCache = function (text, params, run) {
    return original.call(this, text, params, run).catch((error: unknown) => {
      if (!(error instanceof DrizzleQueryError)) throw error;
      // the server's detail of a broken unique key quotes it
      if (error.cause) delete (error.cause as { detail?: string }).detail;
      throw new DrizzleQueryError(text, [], error.cause);
    });
  };
}

export function openDatabase(url: string, log: Log, max = 20): Database {
  withoutValues();
  beginWithFirstStatement();
  const pool = new pg.Pool({
    connectionString: url,
    max,
    connectionTimeoutMillis: 3000,
    idleTimeoutMillis: 300_000,
    statement_timeout: 30_000,
    pipeline: true,
  });
  // without a listener a dropped server ends the process
  pool.on("error", (error) => log.warn("database connection lost", { code: (error as { code?: string }).code }));
  return { db: drizzle(pool, { schema }) as unknown as Db, pool, close: () => pool.end() };
}
