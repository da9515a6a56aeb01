import { sql } from "drizzle-orm";
import { NodePgSession, NodePgTransaction } from "drizzle-orm/node-postgres";
import pg from "pg";

type Run = (tx: unknown) => Promise<unknown>;
/** What a session of drizzle's is made of, beside what it offers. */
interface Insides {
  readonly client: unknown;
  readonly dialect: ConstructorParameters<typeof NodePgSession>[1];
  readonly schema: ConstructorParameters<typeof NodePgSession>[2];
  readonly options: ConstructorParameters<typeof NodePgSession>[3];
  transaction: (run: Run, config?: unknown) => Promise<unknown>;
  beginsAtOnce?: true;
}

/** Statements of a transaction that are on their way and that its end alone waits for. */
const leaving = new WeakMap<object, Promise<unknown>[]>();
/** Where such are laid down; undefined for a transaction within another. */
export const leavingWith = (tx: object): Promise<unknown>[] | undefined => leaving.get(tx);

/**
 * A transaction's beginning leaves with its first statement, on connections that are written to ahead of their
 * answers (`pipeline`): one way to the database and back fewer, in every transaction. After some milliseconds of
 * rest each way costs more than what is asked on it.
 */
export function beginWithFirstStatement(): void {
  const sessions = NodePgSession.prototype as unknown as Insides;
  if (sessions.beginsAtOnce) return;
  sessions.beginsAtOnce = true;
  const plain = sessions.transaction;
  sessions.transaction = async function (run, config) {
    if (config || !(this.client instanceof pg.Pool)) return plain.call(this, run, config);
    const client = await this.client.connect();
    const session = new NodePgSession(client, this.dialect, this.schema, this.options);
    const tx = new NodePgTransaction(this.dialect, session, this.schema as never);
    const begun = tx.execute(sql`begin`).then(() => undefined);
    // said where the transaction is waited for
    begun.catch(() => undefined);
    const last: Promise<unknown>[] = [];
    leaving.set(tx, last);
    try {
      const result = await run(tx);
      // where one of them fails the database takes all back at this very commit
      await allWritten([begun, ...last, tx.execute(sql`commit`)]);
      return result;
    } catch (error) {
      const failed = (await Promise.allSettled(last)).find((one) => one.status === "rejected");
      await tx.execute(sql`rollback`);
      // what came after it was refused for its sake
      throw failed ? failed.reason : error;
    } finally {
      client.release();
    }
  };
}

/**
 * Several things that are written side by side in one transaction. All of them have come to an end before any failure
 * goes on: what still wrote after the rollback would write outside of it.
 */
export async function allWritten<T extends readonly unknown[]>(
  writing: readonly [...{ [K in keyof T]: Promise<T[K]> }],
): Promise<T> {
  const outcomes: readonly PromiseSettledResult<unknown>[] = await Promise.allSettled(writing);
  for (const one of outcomes) if (one.status === "rejected") throw one.reason;
  return (await Promise.all(writing)) as unknown as T;
}
