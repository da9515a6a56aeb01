import type { Finding } from "@/core/readiness";
import type { Phase } from "@/core/people";

/** A date as the season shows it. */
export interface SeasonDate {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly title: string;
  readonly kind: "show" | "rehearsal" | "slot";
  readonly phase: Phase;
  readonly isPublished: boolean;
  readonly isOfSeries: boolean;
  readonly zone: string;
  readonly startLocal: string;
  readonly callAt: number;
  readonly startAt: number;
  readonly endAt: number;
  readonly registered: number;
  readonly waiting: number;
  /** who is on stage, the first of them; `count` has all */
  readonly faces: {
    readonly first: readonly { readonly id: string; readonly name: string; readonly portraitId: string | null }[];
    readonly count: number;
  };
  /** the series' dates after this one, where only the first of them is shown */
  readonly later: readonly { readonly startAt: number; readonly zone: string }[];
  /** what is missing most, to be said in words */
  readonly lacks: Finding | null;
  readonly registrationLimit: number | null;
  readonly houseSize: number;
  readonly fullChance: number | null;
  readonly missing: number;
  readonly gravest: string | null;
  readonly blocks: readonly { title: string; startAt: number; endAt: number }[];
}
