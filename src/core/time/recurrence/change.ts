import { starts } from "./expand";
import { civil, dayNumber, dayOfLocal, minutesBetween, shiftLocal } from "./days";
import type { RecurrenceRule, Series } from "./rule";

/** A date of a series that differs from its rule, keyed by its original start (RECURRENCE-ID). */
export interface Override {
  readonly originalStartLocal: string;
  readonly startLocal: string;
}

export interface SplitSeries {
  /** null where nothing of the series lies before the split */
  readonly earlier: Series | null;
  readonly later: Series;
}

/** Dates that the rule makes before `at`, those taken out by EXDATE among them: COUNT counts them all. */
function madeBefore(series: Series, at: string): { count: number; last: string | null } {
  let count = 0;
  let last: string | null = null;
  for (const local of starts(series.rule, series.startLocal)) {
    if (local >= at) break;
    count += 1;
    last = local;
  }
  return { count, last };
}

/**
 * Parts a series at one of its original starts (rule 2): the earlier part gets an UNTIL, the later one
 * begins there with what remains of COUNT. The caller gives the later part a UID of its own.
 */
export function splitSeries(series: Series, at: string): SplitSeries {
  const before = madeBefore(series, at);
  const { rule } = series;
  const split = (list: readonly string[], isEarlier: boolean) => list.filter((local) => local < at === isEarlier);
  const later: Series = {
    ...series,
    startLocal: at,
    rule: { ...rule, count: rule.count === null ? null : Math.max(1, rule.count - before.count) },
    exdates: split(series.exdates, false),
    rdates: split(series.rdates, false),
  };
  if (before.last === null) return { earlier: null, later };
  const earlier: Series = {
    ...series,
    rule: { ...rule, count: null, until: before.last },
    exdates: split(series.exdates, true),
    rdates: split(series.rdates, true),
  };
  return { earlier, later };
}

const moveList = (list: readonly string[], minutes: number): string[] =>
  list.map((local) => shiftLocal(local, minutes));

/**
 * Moves a whole series so that its first start becomes `startLocal`: what was taken out, put in or
 * overridden moves by the same difference of wall time (rule 2). The rule's own days follow where a
 * whole number of days lies between.
 */
export function moveSeries(series: Series, startLocal: string): { series: Series; shiftMinutes: number } {
  const shiftMinutes = minutesBetween(series.startLocal, startLocal);
  const days = dayOfLocal(startLocal) - dayOfLocal(series.startLocal);
  const until = series.rule.until === null ? null : shiftLocal(series.rule.until, shiftMinutes);
  const rule: RecurrenceRule = {
    ...series.rule,
    until,
    byDay: days === 0 ? series.rule.byDay : movedWeekdays(series, days),
  };
  return {
    series: {
      ...series,
      startLocal,
      rule,
      exdates: moveList(series.exdates, shiftMinutes),
      rdates: moveList(series.rdates, shiftMinutes),
    },
    shiftMinutes,
  };
}

/** Plain weekdays of a weekly rule move with the start; ordinals within a month stay what they are. */
function movedWeekdays(series: Series, days: number): RecurrenceRule["byDay"] {
  if (series.rule.freq !== "WEEKLY") return series.rule.byDay;
  const codes = ["MO", "TU", "WE", "TH", "FR", "SA", "SU"] as const;
  return series.rule.byDay.map((one) => ({
    ...one,
    weekday: codes[(((codes.indexOf(one.weekday) + days) % 7) + 7) % 7]!,
  }));
}

/** Months between the first and the last date in which a monthly rule made none, as `YYYY-MM` (rule 2). */
export function skippedMonths(rule: RecurrenceRule, dates: readonly string[]): readonly string[] {
  const [first, last] = [dates[0], dates.at(-1)];
  if (rule.freq !== "MONTHLY" || !first || !last) return [];
  const has = new Set(dates.map((local) => local.slice(0, 7)));
  const out: string[] = [];
  for (let day = dayNumber(Number(first.slice(0, 4)), Number(first.slice(5, 7)), 1), k = 0; ; k += rule.interval) {
    const { year, month } = civil(day);
    const at = dayNumber(year, month + k, 1);
    const text = new Date(at * 86_400_000).toISOString().slice(0, 7);
    if (text > last.slice(0, 7)) return out;
    const inRule = rule.byMonth.length === 0 || rule.byMonth.includes(civil(at).month);
    if (inRule && !has.has(text)) out.push(text);
  }
}
