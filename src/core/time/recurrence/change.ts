import { firstMatch, starts } from "./expand";
import { civil, dayNumber, dayOfLocal, minutesBetween, shiftLocal } from "./days";
import { longestSeries, weekdayCodes, type RecurrenceRule, type Series, type WeekdayCode } from "./rule";

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

const weekdayMoved = (weekday: WeekdayCode, days: number): WeekdayCode =>
  weekdayCodes[(((weekdayCodes.indexOf(weekday) + days) % 7) + 7) % 7]!;

/** How often a day's weekday has come in its month, from its beginning or, negative, from its end. */
function ordinalOf(local: string, isFromEnd: boolean): number {
  const day = Number(local.slice(8, 10));
  if (!isFromEnd) return Math.ceil(day / 7);
  const last = new Date(Date.UTC(Number(local.slice(0, 4)), Number(local.slice(5, 7)), 0)).getUTCDate();
  return -Math.ceil((last - day + 1) / 7);
}
/** A day of the month, counted from its end where the rule does. */
function monthDayOf(local: string, isFromEnd: boolean): number {
  const day = Number(local.slice(8, 10));
  const last = new Date(Date.UTC(Number(local.slice(0, 4)), Number(local.slice(5, 7)), 0)).getUTCDate();
  return isFromEnd ? day - last - 1 : day;
}

/**
 * The rule that names the days which a move by whole days leads to: "the first Thursday" moved to a Friday is the
 * first Friday, in later months too. Where no such rule has the new start the days stay as they are.
 */
function movedRule({ rule, startLocal }: Series, to: string, days: number): RecurrenceRule {
  const month = Number(to.slice(5, 7));
  const ordinalBy = (ordinal: number) => ordinalOf(to, ordinal < 0) - ordinalOf(startLocal, ordinal < 0);
  const moved: RecurrenceRule = {
    ...rule,
    byMonth: rule.byMonth.length === 1 ? [month] : rule.byMonth,
    byMonthDay:
      rule.byMonthDay.length === 1
        ? [monthDayOf(to, rule.byMonthDay[0]! < 0)]
        : rule.byMonthDay.map((day) => day + days),
    byDay: rule.byDay.map(({ weekday, ordinal }) => ({
      weekday: weekdayMoved(weekday, days),
      ordinal: ordinal === null ? null : ordinal + ordinalBy(ordinal),
    })),
  };
  return firstMatch({ ...moved, count: null, until: null }, to) === to ? moved : rule;
}

export interface MovedSeries {
  readonly series: Series;
  readonly shiftMinutes: number;
  /** where one of the rule's starts, or one put in, lies afterwards */
  movedStart(originalStartLocal: string): string;
}

/**
 * Moves a whole series so that its first start becomes `startLocal` (rule 2). Each of its dates becomes the date of
 * the moved rule in the same place of the order; what the rule does not name moves by the difference of wall time.
 */
export function moveSeries(series: Series, startLocal: string): MovedSeries {
  const shiftMinutes = minutesBetween(series.startLocal, startLocal);
  const days = dayOfLocal(startLocal) - dayOfLocal(series.startLocal);
  const endless = { count: null, until: null };
  const rule = days === 0 ? series.rule : movedRule(series, startLocal, days);
  const after = starts({ ...rule, ...endless }, startLocal)[Symbol.iterator]();
  const movedOf = new Map<string, string>();
  let last = startLocal;
  for (const before of starts(series.rule, series.startLocal)) {
    const next = after.next();
    if (next.done || movedOf.size > longestSeries) break;
    movedOf.set(before, next.value);
    last = next.value;
  }
  const movedStart = (local: string) => movedOf.get(local) ?? shiftLocal(local, shiftMinutes);
  return {
    series: {
      ...series,
      startLocal,
      rule: { ...rule, until: rule.until === null ? null : last },
      exdates: series.exdates.map(movedStart),
      rdates: series.rdates.map(movedStart),
    },
    shiftMinutes,
    movedStart,
  };
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
