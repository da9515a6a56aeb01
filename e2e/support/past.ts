import { and, eq, isNotNull } from "drizzle-orm";
import { events, occurrences, stays, tickets } from "../../src/server/db/schema";
import { tokenOf } from "../../src/server/services/way-in/tickets";
import { withTools } from "./tools";

export interface PastDate {
  readonly eventId: string;
  readonly occurrenceId: string;
  /** of somebody who was there */
  readonly token: string;
}

/** A date of the demo that was held, by its event's title, with the link of somebody who came. */
export const pastDate = (title: string): Promise<PastDate> =>
  withTools(async (context) => {
    const [row] = await context.db
      .select({ eventId: events.id, occurrenceId: occurrences.id, ticket: tickets })
      .from(occurrences)
      .innerJoin(events, eq(events.id, occurrences.eventId))
      .innerJoin(tickets, and(eq(tickets.occurrenceId, occurrences.id), eq(tickets.role, "attendee")))
      .innerJoin(stays, eq(stays.ticketId, tickets.id))
      .where(and(eq(events.title, title), eq(occurrences.phase, "ended"), isNotNull(stays.toAt)))
      .limit(1);
    return { eventId: row!.eventId, occurrenceId: row!.occurrenceId, token: tokenOf(context, row!.ticket) };
  });
