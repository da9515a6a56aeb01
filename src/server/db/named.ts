import type { SQL } from "drizzle-orm";
import type { PgDialect, PgSession } from "drizzle-orm/pg-core";
import type { Db } from "./client";

/** What a database of drizzle's is made of, beside what it offers: its raw `execute` has no way to name a statement. */
interface Insides {
  readonly dialect: PgDialect;
  readonly session: PgSession;
}
const names = new Map<string, string>();
const mostNames = 200;

/**
 * The same as `db.execute`, planned once a connection and not at each call: for the few statements with which every
 * command of the hour begins. Only for texts of which there are few: values go in as parameters.
 */
export async function executeNamed(db: Db, query: SQL): Promise<{ readonly rows: Record<string, unknown>[] }> {
  const { dialect, session } = db as unknown as Insides;
  const built = dialect.sqlToQuery(query);
  const known = names.get(built.sql);
  const name = known ?? (names.size < mostNames ? `stage_call_${names.size}` : undefined);
  if (!known && name) names.set(built.sql, name);
  return (await session.prepareQuery(built, undefined, name, false).execute()) as { rows: Record<string, unknown>[] };
}
