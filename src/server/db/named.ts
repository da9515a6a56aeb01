import { createHash } from "node:crypto";
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

/** Made of the text: the framework's bundles and the process around them share connections, not this module. */
function nameOf(text: string): string | undefined {
  const known = names.get(text);
  if (known || names.size >= mostNames) return known;
  const name = `stage_call_${createHash("sha256").update(text).digest("hex").slice(0, 24)}`;
  names.set(text, name);
  return name;
}

/**
 * The same as `db.execute`, planned once a connection and not at each call: for the few statements with which every
 * command of the hour begins. Only for texts of which there are few: values go in as parameters.
 */
export async function executeNamed(db: Db, query: SQL): Promise<{ readonly rows: Record<string, unknown>[] }> {
  const { dialect, session } = db as unknown as Insides;
  const built = dialect.sqlToQuery(query);
  const prepared = session.prepareQuery(built, undefined, nameOf(built.sql), false);
  return (await prepared.execute()) as { rows: Record<string, unknown>[] };
}
