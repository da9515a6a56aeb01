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
  readonly registrationLimit: number | null;
  readonly houseSize: number;
  readonly fullChance: number | null;
  readonly missing: number;
  readonly gravest: string | null;
  readonly blocks: readonly { title: string; startAt: number; endAt: number }[];
}
