import { and, eq, sql } from "drizzle-orm";
import type { Db } from "../../../db/client";
import { tickets } from "../../../db/schema";

/** Registered attendees of each of an event's dates. */
export async function registeredByDate(db: Db, eventId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .select({ id: tickets.occurrenceId, n: sql<number>`count(*)::int` })
    .from(tickets)
    .where(and(eq(tickets.eventId, eventId), eq(tickets.role, "attendee"), eq(tickets.status, "registered")))
    .groupBy(tickets.occurrenceId);
  return new Map(rows.map((row) => [row.id ?? "", row.n]));
}
