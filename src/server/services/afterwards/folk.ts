import { eq } from "drizzle-orm";
import type { Db } from "../../db/client";
import { anyOf } from "../../db/queries/any-of";
import { people, tickets } from "../../db/schema";

/** Names and addresses of those whose tickets stand in a file, by ticket. */
export async function folkOf(db: Db, ticketIds: Iterable<string>) {
  const rows = await db
    .select({ id: tickets.id, name: people.name, email: people.email })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(anyOf(tickets.id, [...new Set(ticketIds)]));
  return new Map(rows.map((one) => [one.id, one]));
}
