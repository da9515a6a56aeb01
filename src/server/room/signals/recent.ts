import { sql } from "drizzle-orm";
import { troubleForMs, type Signal } from "@/core/room";
import type { Db } from "../../db/client";
import { isCounted } from "../../db/queries/counted";

/** What was given within the time that rates look back, test guests left out. */
export async function recentSignals(db: Db, roomId: string, now: number): Promise<readonly Signal[]> {
  const { rows } = await db.execute(sql`
    select kind, ticket_id, at from signals
    where room_id = ${roomId} and at > ${new Date(now - troubleForMs).toISOString()}::timestamptz and ${isCounted(sql`ticket_id`)}
    order by at limit 20000`);
  return rows.map((row) => ({
    kind: row["kind"] as Signal["kind"],
    ticketId: String(row["ticket_id"]),
    at: new Date(row["at"] as string).getTime(),
  }));
}
