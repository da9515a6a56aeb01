import type { RecurrenceRule } from "@/core/time";

/** What of an entry was not taken over; `detail` is what stood there. */
export interface UnreadPart {
  readonly part:
    | "zone"
    | "start"
    | "hour-of-whole-day"
    | "hour"
    | "repetition"
    | "single-dates"
    | "attachments"
    | "more-entries"
    | "length";
  readonly detail?: string;
}

/** What an entry of a calendar says of an event to be planned. Null: it does not say. */
export interface EventDraft {
  readonly title: string;
  readonly descriptionHtml: string;
  readonly startLocal: string | null;
  readonly zone: string | null;
  readonly durationMinutes: number | null;
  /** where it is besides the link; "" where the entry names none */
  readonly place: string;
  readonly rule: RecurrenceRule | null;
  readonly people: readonly { readonly name: string; readonly email: string }[];
  /** what was there and could not be taken over */
  readonly unread: readonly UnreadPart[];
}
