import { fail, ok, type Result } from "../../shared";
import { candidates } from "./candidates";
import { dateText, dayOfLocal, civil } from "./days";
import { longestSeries, type RecurrenceRule, type Series } from "./rule";

/**
 * Periods without a single date after which a rule is taken to have none left. The longest gap there can be is
 * that of a 29 February on one day of the week across a century without leap day: 40 years.
 */
const emptyPeriodsEnd = { DAILY: 14_700, WEEKLY: 2_100, MONTHLY: 485, YEARLY: 41 } as const;
const lastYear = 9999;

/**
 * Starts of a rule in wall time, ascending, lazily: the first start always counts as the first date,
 * as DTSTART does (RFC 5545 §3.8.5.3). COUNT and UNTIL end it; an open rule goes on.
 */
export function* starts(rule: RecurrenceRule, startLocal: string): Generator<string> {
  const startDay = dayOfLocal(startLocal);
  const clock = startLocal.slice(10);
  let made = 0;
  const mayGoOn = (local: string) =>
    (rule.count === null || made < rule.count) && (rule.until === null || local <= rule.until);
  if (!mayGoOn(startLocal)) return;
  made += 1;
  yield startLocal;
  let empty = 0;
  for (let k = 0; empty < emptyPeriodsEnd[rule.freq]; k += 1) {
    const days = candidates(rule, startDay, k).filter((day) => day > startDay);
    empty = days.length > 0 ? 0 : empty + 1;
    for (const day of days) {
      const local = `${dateText(day)}${clock}`;
      if (civil(day).year > lastYear || !mayGoOn(local)) return;
      made += 1;
      yield local;
    }
  }
}

/** Whether the first start is itself a day that the rule names. */
export function startMatches(rule: RecurrenceRule, startLocal: string): boolean {
  const day = dayOfLocal(startLocal);
  return candidates(rule, day, 0).includes(day);
}

/** The first day from `startLocal` on that the rule names, at its hour; null where there is none. */
export function firstMatch(rule: RecurrenceRule, startLocal: string): string | null {
  const day = dayOfLocal(startLocal);
  for (let k = 0, empty = 0; empty < emptyPeriodsEnd[rule.freq]; k += 1) {
    const hit = candidates(rule, day, k).find((one) => one >= day);
    if (hit !== undefined) return `${dateText(hit)}${startLocal.slice(10)}`;
    empty += 1;
  }
  return null;
}

const longestMonth = (month: number): number => (month === 2 ? 29 : [4, 6, 9, 11].includes(month) ? 30 : 31);

/** Whether no calendar has such a day: a 30 February, a sixth Monday of a month. */
export function canNeverMatch({ freq, byMonth, byMonthDay, byDay }: RecurrenceRule): boolean {
  const months = byMonth.length > 0 ? byMonth : [1];
  const noSuchDay =
    byMonthDay.length > 0 && byMonthDay.every((day) => months.every((m) => Math.abs(day) > longestMonth(m)));
  const mostOrdinal = freq === "YEARLY" && byMonth.length === 0 ? 53 : 5;
  const noSuchWeekday =
    byDay.length > 0 && byDay.every(({ ordinal }) => ordinal !== null && Math.abs(ordinal) > mostOrdinal);
  return noSuchDay || noSuchWeekday;
}

/** What makes a rule unusable, before any date is counted. */
export function checkRule(rule: RecurrenceRule, startLocal: string): Result<void> {
  const wrong = (reason: "interval" | "count" | "until-before-start" | "part") =>
    fail({ code: "bad-rule", reason } as const);
  if (!Number.isInteger(rule.interval) || rule.interval < 1) return wrong("interval");
  if (rule.count !== null && (!Number.isInteger(rule.count) || rule.count < 1)) return wrong("count");
  if (rule.count !== null && rule.until !== null) return wrong("part");
  if (rule.until !== null && rule.until < startLocal) return wrong("until-before-start");
  const hasOrdinal = rule.byDay.some((one) => one.ordinal !== null);
  if (hasOrdinal && (rule.freq === "DAILY" || rule.freq === "WEEKLY")) return wrong("part");
  if (rule.freq === "WEEKLY" && rule.byMonthDay.length > 0) return wrong("part");
  if (canNeverMatch(rule)) return fail({ code: "no-dates" });
  return ok(undefined);
}

/**
 * The dates of a series as original starts, ascending: the rule's, without EXDATE, with RDATE. An
 * open-ended rule is filled up to `horizonLocal`, at most 366 dates.
 * @throws nothing; fails with `bad-rule`, `no-dates` or `too-many-dates`
 */
export function datesOfSeries(series: Series, horizonLocal: string): Result<readonly string[]> {
  const { rule, startLocal } = series;
  const checked = checkRule(rule, startLocal);
  if (!checked.ok) return checked;
  const out = new Set<string>(series.rdates);
  const gone = new Set(series.exdates);
  const isOpen = rule.count === null && rule.until === null;
  for (const local of starts(rule, startLocal)) {
    if (isOpen && (local > horizonLocal || out.size >= longestSeries)) break;
    if (gone.has(local)) continue;
    out.add(local);
    if (out.size > longestSeries) return fail({ code: "too-many-dates", most: longestSeries });
  }
  for (const local of gone) out.delete(local);
  if (out.size === 0) return fail({ code: "no-dates" });
  return ok([...out].sort());
}
