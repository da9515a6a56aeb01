import { eq } from "drizzle-orm";
import type { Db } from "../../db/client";
import { people, tickets } from "../../db/schema";

/** Whose ticket is whose, of a date. */
export async function namesByTicket(
  db: Db,
  occurrenceId: string,
): Promise<ReadonlyMap<string, { name: string; email: string }>> {
  const rows = await db
    .select({ id: tickets.id, name: people.name, email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(eq(tickets.occurrenceId, occurrenceId));
  return new Map(rows.map((row) => [row.id, { name: row.name ?? "", email: row.email ?? "" }]));
}
