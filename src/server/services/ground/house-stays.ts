import { and, eq, ne, sql } from "drizzle-orm";
import type { PgColumn } from "drizzle-orm/pg-core";
import type { Db } from "../../db/client";
import { stays } from "../../db/schema";

/** What attendance is computed from, and no more: of ten thousand people there are fifty thousand. */
export interface StayRow {
  readonly connectionId: string;
  readonly ticketId: string | null;
  readonly personId: string | null;
  readonly chainId: string;
  readonly role: string;
  readonly device: string;
  readonly fromAt: number;
  readonly lastSignAt: number;
  readonly toAt: number | null;
}
const inMs = (column: PgColumn) => sql`(extract(epoch from ${column}) * 1000)::bigint`;

/**
 * Only what was past the foyer is attendance; whoever was let in counts from then on. In the order in which they came.
 * One row a person leaves the database, read piece by piece: one a stay takes several times as long on its way.
 */
export async function houseStays(db: Db, occurrenceId: string): Promise<StayRow[]> {
  const one = sql`concat_ws('|', ${stays.connectionId}, ${stays.device}, ${inMs(stays.fromAt)}, ${inMs(stays.lastSignAt)}, ${inMs(stays.toAt)})`;
  const rows = await db
    .select({
      ticketId: stays.ticketId,
      personId: stays.personId,
      chainId: stays.chainId,
      role: stays.role,
      all: sql<string>`string_agg(${one}, ',')`,
    })
    .from(stays)
    .where(and(eq(stays.occurrenceId, occurrenceId), ne(stays.place, "foyer")))
    .groupBy(stays.ticketId, stays.personId, stays.chainId, stays.role);
  const found: StayRow[] = [];
  for (const { ticketId, personId, chainId, role, all } of rows)
    for (const text of all.split(",")) {
      const [connectionId, device, fromAt, lastSignAt, toAt] = text.split("|");
      found.push({
        connectionId: connectionId!,
        ticketId,
        personId,
        chainId,
        role,
        device: device!,
        fromAt: Number(fromAt),
        lastSignAt: Number(lastSignAt),
        toAt: toAt === undefined ? null : Number(toAt),
      });
    }
  return found.sort((a, b) => a.fromAt - b.fromAt || (a.connectionId < b.connectionId ? -1 : 1));
}
