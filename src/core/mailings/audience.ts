/** Whom a mailing goes to: any of these added up, each person once. */
export interface Audience {
  /** which of the event's dates it is about; null: the coming one */
  readonly dateId: string | null;
  /** people of that date, by where they stand */
  readonly standing: readonly AudienceStanding[];
  /** names of groups of the contact book */
  readonly groups: readonly string[];
  /** tags of the contact book */
  readonly tags: readonly string[];
  readonly personIds: readonly string[];
  /** addresses left out by hand */
  readonly except: readonly string[];
  /** names and addresses as they were pasted */
  readonly pasted: string;
  /** earlier events of the organisation, and who of them */
  readonly past: readonly { readonly eventId: string; readonly who: "registered" | "came" | "missed" }[];
}

export const audienceStandings = ["registered", "waiting", "came", "missed", "unanswered", "stage"] as const;
export type AudienceStanding = (typeof audienceStandings)[number];

export const nobody: Audience = {
  dateId: null,
  standing: [],
  groups: [],
  tags: [],
  personIds: [],
  except: [],
  pasted: "",
  past: [],
};

/** Kinds that a producer writes and sends; the others are set off by what happens. */
export const composedKinds = ["invitation", "note", "follow-up-came", "follow-up-missed"] as const;
export type ComposedKind = (typeof composedKinds)[number];

/** Kinds that go by themselves and whose words an event may have of its own. */
export const wordedKinds = [
  "confirmation",
  "reminder",
  "waiting-list",
  "waiting-list-place",
  "change",
  "cancellation",
  "stage-invitation",
  "call-time-reminder",
  "recording-ready",
] as const;
export type WordedKind = (typeof wordedKinds)[number];

/** Follow-ups choose their people by themselves. */
export const isFollowUp = (kind: string): kind is "follow-up-came" | "follow-up-missed" =>
  kind === "follow-up-came" || kind === "follow-up-missed";

const nice = (step: number, minutes: number) => Math.round(minutes / step) * step;

/** A dragged distance from the start or the end, in steps that people speak of: 5 min, 1 h, 1 day. */
export function niceOffset(minutes: number): number {
  const size = Math.abs(minutes);
  if (size < 120) return nice(5, minutes);
  return size < 3 * 1440 ? nice(60, minutes) : nice(1440, minutes);
}
