import { eq, and, sql } from "drizzle-orm";
import { tickets, people } from "../../db/schema";
import { crowdSource } from "../ground/room/crowd-rows";
import type { Context } from "../ground/context";
import { Ticket } from "./take-places";

export interface Registrant {
  readonly ticket: Ticket;
  readonly name: string;
  readonly email: string;
  readonly zone: string | null;
  /** what the team remembers of them */
  readonly note: string;
}
/** Registrants of an event in the order in which they came; bounded, the whole list is in the file. */

export async function registrantsOf(context: Context, eventId: string, limit = 5000): Promise<readonly Registrant[]> {
  const rows = await context.db
    .select({ ticket: tickets, person: people })
    .from(tickets)
    .innerJoin(people, eq(people.id, tickets.personId))
    .where(
      and(
        eq(tickets.eventId, eventId),
        eq(tickets.role, "attendee"),
        // nobody of an invented house has registered
        sql`${tickets.source} is distinct from ${crowdSource}`,
      ),
    )
    .orderBy(tickets.registeredAt, tickets.id)
    .limit(limit);
  return rows.map(({ ticket, person }) => ({
    ticket,
    name: person.name ?? "",
    email: person.email ?? "",
    zone: person.zone,
    note: person.note,
  }));
}
