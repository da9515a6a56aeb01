/** Days of the week as RFC 5545 names them, Monday first. */
export const weekdayCodes = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"] as const;
export type WeekdayCode = (typeof weekdayCodes)[number];
export const frequencies = ["DAILY", "WEEKLY", "MONTHLY", "YEARLY"] as const;
export type Frequency = (typeof frequencies)[number];

/** "TH", "1TH" (the first Thursday), "-1FR" (the last Friday). */
export interface ByDay {
  readonly weekday: WeekdayCode;
  /** counted within the month, or within the year where a yearly rule names no month; null: each */
  readonly ordinal: number | null;
}

/**
 * A recurrence rule (RFC 5545 §3.3.10) with the parts of rule 2. Everything is in wall time: a series
 * keeps its hour through a clock change.
 */
export interface RecurrenceRule {
  readonly freq: Frequency;
  readonly interval: number;
  readonly count: number | null;
  /** the last start there may be, local, included */
  readonly until: string | null;
  readonly byMonth: readonly number[];
  /** −1 is the last day of the month */
  readonly byMonthDay: readonly number[];
  readonly byDay: readonly ByDay[];
  readonly wkst: WeekdayCode;
}

/** A series: its rule, its first start, what was taken out and put in (EXDATE, RDATE), all local. */
export interface Series {
  readonly rule: RecurrenceRule;
  readonly startLocal: string;
  readonly zone: string;
  readonly exdates: readonly string[];
  readonly rdates: readonly string[];
}

/** A rule of one date a week, to be changed: the planner's first proposal. */
export const weeklyRule = (part: Partial<RecurrenceRule> = {}): RecurrenceRule => ({
  freq: "WEEKLY",
  interval: 1,
  count: null,
  until: null,
  byMonth: [],
  byMonthDay: [],
  byDay: [],
  wkst: "MO",
  ...part,
});

/** The longest series there may be, and how far an open-ended one is kept filled (rule 2). */
export const longestSeries = 366;
export const filledAheadDays = 731;
