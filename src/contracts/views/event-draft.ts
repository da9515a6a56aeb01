import type { RecurrenceRule } from "@/core/time";

/** What an entry of a calendar says of an event to be planned. Null: it does not say. */
export interface EventDraft {
  readonly title: string;
  readonly descriptionHtml: string;
  readonly startLocal: string | null;
  readonly zone: string | null;
  readonly durationMinutes: number | null;
  readonly rule: RecurrenceRule | null;
  readonly people: readonly { readonly name: string; readonly email: string }[];
  /** what was there and could not be taken over */
  readonly unread: readonly string[];
}
