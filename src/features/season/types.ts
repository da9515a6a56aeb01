/** A date as the season shows it. */
export interface BoardDate {
  readonly eventId: string;
  readonly occurrenceId: string;
  readonly title: string;
  readonly kind: "show" | "rehearsal" | "slot";
  readonly isOfSeries: boolean;
  readonly fullChance: number | null;
  readonly startLocal: string;
  readonly phase: "scheduled" | "backstage" | "open" | "ended" | "cancelled" | "not-held";
  readonly isPublished: boolean;
  readonly zone: string;
  readonly callAt: number;
  readonly startAt: number;
  readonly endAt: number;
  readonly registered: number;
  readonly registrationLimit: number | null;
  readonly houseSize: number;
  readonly missing: number;
  readonly gravest: string | null;
  readonly blocks: readonly { title: string; startAt: number; endAt: number }[];
}
