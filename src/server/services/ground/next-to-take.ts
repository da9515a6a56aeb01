import { and, isNull, lt, or, sql, type SQL } from "drizzle-orm";
import type { PgColumn, PgTable } from "drizzle-orm/pg-core";

/** Rows that are worked on one at a time, by whichever process comes first. */
interface Work {
  readonly table: PgTable;
  readonly id: PgColumn;
  /** whoever works on it says so again and again */
  readonly claimedAt: PgColumn;
  readonly isWaiting: SQL;
  readonly isUnderWay: SQL;
  readonly order: PgColumn;
}

/**
 * The id of the row to take next: one that waits, or whose worker fell silent. It stands in the condition of the update
 * that takes it, so that of two processes one gets it.
 */
export const nextToTake = (
  { table, id, claimedAt, isWaiting, isUnderWay, order }: Work,
  silentSince: number,
): SQL<string> =>
  sql`(select ${id} from ${table} where ${or(isWaiting, and(isUnderWay, or(isNull(claimedAt), lt(claimedAt, silentSince))))} order by ${order} limit 1 for update skip locked)`;
