import type { Difference } from "@/core/reports";

/** A held date that can be compared with. */
export interface OfferedDate {
  readonly id: string;
  readonly eventId: string;
  readonly title: string;
  readonly startAt: number;
  readonly zone: string;
}

/** One date's figures beside others. */
export interface ComparedDate extends OfferedDate {
  readonly registered: number;
  readonly came: number;
  readonly registeredCame: number;
  readonly tookPart: number;
  readonly stayed: number;
  readonly peak: number;
  readonly averageHouse: number;
  readonly meanStayMinutes: number | null;
  readonly rating: { readonly mean: number; readonly n: number; readonly most: number } | null;
  /** registrations by days before the start, the last day last */
  readonly byDay: readonly number[];
  /** milliseconds since the curtain rose, and how many were there from then on */
  readonly curve: readonly (readonly [offsetMs: number, count: number])[];
  readonly lengthMs: number;
  /** retention by segment, in order */
  readonly segments: readonly { readonly title: string; readonly share: number | null; readonly atStart: number }[];
  /** differences of the first date chosen to this one; null for the first itself */
  readonly difference: {
    readonly showUp: Difference | null;
    readonly tookPart: Difference | null;
    readonly stay: Difference | null;
  } | null;
}

export interface Comparison {
  readonly offered: readonly OfferedDate[];
  readonly dates: readonly ComparedDate[];
  /** people who came to every one of them */
  readonly always: readonly string[];
  readonly alwaysCount: number;
}
