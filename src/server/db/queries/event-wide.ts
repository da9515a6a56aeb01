import { and, isNull, type SQL } from "drizzle-orm";
import { tickets } from "../schema";

/**
 * Tickets that hold for every date of an event and were not taken back: the stage people and the crew. An
 * attendee's ticket names its date.
 */
export const isEventWide = (): SQL | undefined => and(isNull(tickets.occurrenceId), isNull(tickets.revokedAt));
