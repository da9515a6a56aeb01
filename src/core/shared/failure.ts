import type { InputIssue } from "./issue";

/** What can be switched off for an audience. */
export type SwitchedOff =
  "questions" | "polls" | "chat" | "hands" | "signals" | "names" | "count" | "rename" | "no-name" | "registration";

/**
 * Every way in which a request can be refused. Failures are data: a literal code and the facts that
 * a message needs. Words are made at the edge (contracts/failure-words), statuses in contracts/failure-http.
 */
export type Failure =
  | { code: "invalid-input"; issues: readonly InputIssue[] }
  | { code: "not-signed-in" }
  | { code: "not-allowed"; action: string }
  | { code: "not-found"; what: string }
  | { code: "wrong-origin" }
  | { code: "too-many-tries"; retryAfterSeconds: number }
  | { code: "edited-meanwhile"; currentVersion: number | string }
  | { code: "wrong-state"; action: string; state: string }
  | { code: "already-done"; action: string }
  /** somebody else changed it after what this person saw */
  | { code: "overtaken" }
  | { code: "cue-moved"; currentSegmentId: string | null }
  | { code: "segment-gone" }
  /** somebody turned meanwhile; null: the slides were put away */
  | { code: "page-turned"; page: number | null }
  | { code: "too-many-boards"; most: number }
  | { code: "board-full" }
  | { code: "not-a-board" }
  | { code: "curtain-moved" }
  | { code: "too-early"; callAt: number }
  | { code: "barred" }
  | { code: "not-inside" }
  | { code: "too-many-streams" }
  | { code: "too-fast"; retryAfterMs: number }
  | { code: "busy"; retryAfterMs: number }
  | { code: "too-large"; limitBytes: number }
  | { code: "poll-not-open" }
  | { code: "no-such-option" }
  | { code: "answer-incomplete" }
  | { code: "vote-locked" }
  | { code: "poll-was-open" }
  | { code: "comments-full"; most: number }
  | { code: "switched-off"; what: SwitchedOff }
  | { code: "date-fixed"; startLocal: string; phase: string }
  | { code: "house-full" }
  | { code: "floor-full"; most: number }
  /** so many screens are shared already: another takes the place of one of them */
  | { code: "screens-full"; most: number }
  /** of side rooms: the tickets that cannot be placed as wished, and how many a room holds or how many rooms there are */
  | { code: "no-allotment"; why: AllotmentFault; people: readonly string[]; most: number }
  | { code: "sides-not-open" }
  | { code: "sides-open" }
  /** somebody else's microphone is open on it */
  | { code: "channel-taken" }
  /** so many on the stage side have not agreed to be recorded */
  | { code: "consent-missing"; people: number }
  | { code: "recording-not-ready" }
  | { code: "disk-full" }
  /** it is to be watched together at a date that is not over */
  | { code: "screening-planned" }
  /** two lines of a report cannot be one person */
  | { code: "merge-refused"; why: "same" | "merged-already" | "on-stage-at-once" }
  /** a certificate stands for what its date came to: nothing to issue yet */
  | { code: "no-credit" }
  /** statements have nowhere to go */
  | { code: "no-record-store" }
  | { code: "survey-closed" }
  /** an anonymous answer was given already, from another browser: nobody knows which it is */
  | { code: "answered-elsewhere" }
  /** somebody else makes this feed just now, or nobody who may asked for it */
  | { code: "no-lease" }
  | { code: "not-media" }
  | { code: "seats-clash"; clashing: readonly ClashingDate[]; earlier: string | null; later: string | null }
  | { code: "no-licence-so-large"; houseSize: number; largest: number }
  | { code: "licences-in-use"; dates: readonly ClashingDate[] }
  | { code: "limit-broken"; limit: "length" | "house" | "stage"; wanted: number; most: number }
  | { code: "not-welcome"; domains: readonly string[] }
  | { code: "nothing-to-undo" }
  | { code: "bad-calendar"; reason: "too-large" | "unreadable" | "nothing-in-it"; line?: number }
  | { code: "bad-rule"; reason: "interval" | "count" | "until-before-start" | "part" | "text" }
  | { code: "rule-part-unknown"; part: string }
  | { code: "no-dates" }
  | { code: "too-many-dates"; most: number }
  | { code: "date-past" }
  | { code: "address-taken" }
  | { code: "last-owner" }
  | { code: "invitation-over" }
  | { code: "join-block-missing" }
  | { code: "unknown-merge-field"; field: string; line: number; column: number }
  | { code: "bad-file"; reason: FileFault; line?: number; column?: string }
  | { code: "file-too-large"; limitBytes: number }
  | { code: "too-many-rows"; most: number }
  | { code: "store-full"; limitBytes: number }
  | { code: "upload-cut"; expectedBytes: number; receivedBytes: number }
  | { code: "too-heavy"; budgetMs: number }
  | { code: "storage-failed" }
  | { code: "unavailable" };

/** Why people cannot be put into side rooms as wished (rule 15). */
export type AllotmentFault = "together-and-apart" | "group-too-large" | "too-few-rooms" | "impossible" | "undecided";

/** A date that stands in the way, in words a reader can find it by. */
export interface ClashingDate {
  readonly title: string;
  readonly startLocal: string;
  readonly zone: string;
}

export type FailureCode = Failure["code"];
export type FileFault =
  | "not-a-table"
  | "missing-column"
  | "broken-quotes"
  | "empty"
  | "not-a-video"
  | "bad-time"
  | "out-before-in"
  | "unknown-role"
  | "not-text"
  | "not-a-picture"
  | "too-many-pixels"
  | "a-program"
  | "not-as-named"
  | "not-a-pdf"
  | "locked-pdf"
  | "broken-pdf"
  | "too-many-pages";

/** The one error class of core and services; everything else that is thrown is a defect. */
export class Refusal extends Error {
  // the framework gives its bundles copies of this module: a refusal is known by its name, not by its copy
  static override [Symbol.hasInstance](value: unknown): boolean {
    return value instanceof Error && value.name === "Refusal";
  }
  constructor(readonly failure: Failure) {
    super(failure.code);
    this.name = "Refusal";
  }
}
