import type { events, occurrences, tickets } from "../../db/schema";

type Event = Pick<typeof events.$inferSelect, "uid">;
type Occurrence = Pick<typeof occurrences.$inferSelect, "id" | "kind" | "seriesId" | "sequence">;
type Ticket = Pick<typeof tickets.$inferSelect, "calendarUid" | "calendarSequence">;

/** The UID and SEQUENCE (RFC 5545 §3.8.4.7, §3.8.7.4) of a holder's calendar entry. */
export interface EntryName {
  readonly uid: string;
  readonly sequence: number;
}

/** A ticket is for one date: its entry keeps its name when the series splits or moves, and when the ticket does. */
export function entryName(event: Event, occurrence: Occurrence, ticket: Ticket | null): EntryName {
  const ofDate =
    occurrence.seriesId || occurrence.kind !== "show" ? `${occurrence.id}@stage-call.example.org` : event.uid;
  return {
    uid: ticket?.calendarUid ?? ofDate,
    sequence: occurrence.sequence + (ticket?.calendarSequence ?? 0),
  };
}

/** What a ticket keeps when it goes to another date, so that its entry is the same one, in a later version. */
export function movedEntry(event: Event, from: Occurrence, to: Occurrence, ticket: Ticket): Ticket {
  const { uid, sequence } = entryName(event, from, ticket);
  return { calendarUid: uid, calendarSequence: sequence + 1 - to.sequence };
}
