import type { SQL } from "drizzle-orm";
import { allWritten, leavingWith } from "./begin";
import type { Db } from "./client";
import { executeNamed } from "./named";

/**
 * Statements whose answers nobody needs: they leave at once, and the transaction's commit leaves without waiting for
 * them, so that all of it is one way to the database. Where one of them fails the database takes all back at that
 * commit, and the transaction fails. Their parameters are plain texts and numbers: one that could not be sent at all
 * would be missing from what is kept. In a transaction within another they are waited for.
 */
export async function writeLast(tx: Db, statements: readonly SQL[]): Promise<void> {
  const sent = statements.map((one) => executeNamed(tx, one));
  const last = leavingWith(tx);
  if (!last) return void (await allWritten(sent));
  // said where the transaction is waited for
  for (const one of sent) one.catch(() => undefined);
  last.push(...sent);
}
