import { civil, dayNumber, daysInMonth, indexOf, weekdayIndex, weekdayOf, type DayNumber } from "./days";
import type { ByDay, RecurrenceRule } from "./rule";

const ascending = (a: number, b: number): number => a - b;
const unique = (days: readonly number[]): number[] => [...new Set(days)].sort(ascending);

/** All days of [first, last] that BYDAY names; ordinals count within that very span. */
function byDayWithin(first: DayNumber, last: DayNumber, byDay: readonly ByDay[]): number[] {
  const out: number[] = [];
  for (const { weekday, ordinal } of byDay) {
    const firstHit = first + ((indexOf(weekday) - weekdayIndex(first) + 7) % 7);
    if (ordinal === null) for (let day = firstHit; day <= last; day += 7) out.push(day);
    else if (ordinal > 0) {
      const day = firstHit + 7 * (ordinal - 1);
      if (day <= last) out.push(day);
    } else {
      const lastHit = last - ((weekdayIndex(last) - indexOf(weekday) + 7) % 7);
      const day = lastHit + 7 * (ordinal + 1);
      if (day >= first) out.push(day);
    }
  }
  return unique(out);
}

/** Days of one month that the rule names; `startDay` stands in where it names none. */
function inMonth(rule: RecurrenceRule, year: number, month: number, startDay: number): number[] {
  const length = daysInMonth(year, month);
  const first = dayNumber(year, month, 1);
  const named = rule.byMonthDay
    .map((day) => (day > 0 ? day : length + 1 + day))
    .filter((day) => day >= 1 && day <= length);
  const byDate = named.map((day) => first + day - 1);
  const byWeekday = rule.byDay.length > 0 ? byDayWithin(first, first + length - 1, rule.byDay) : null;
  if (rule.byMonthDay.length > 0) return unique(byWeekday ? byDate.filter((day) => byWeekday.includes(day)) : byDate);
  if (byWeekday) return byWeekday;
  // a monthly rule on the 31st skips short months (RFC 5545 §3.3.10)
  return startDay <= length ? [first + startDay - 1] : [];
}

function inYear(rule: RecurrenceRule, year: number, start: { month: number; day: number }): number[] {
  if (rule.byMonth.length > 0) return unique(rule.byMonth.flatMap((month) => inMonth(rule, year, month, start.day)));
  if (rule.byMonthDay.length > 0)
    return unique(Array.from({ length: 12 }, (_, i) => inMonth(rule, year, i + 1, start.day)).flat());
  if (rule.byDay.length > 0) return byDayWithin(dayNumber(year, 1, 1), dayNumber(year, 12, 31), rule.byDay);
  return inMonth(rule, year, start.month, start.day);
}

const matchesDay = (rule: RecurrenceRule, day: DayNumber): boolean => {
  const { year, month, day: ofMonth } = civil(day);
  if (rule.byMonth.length > 0 && !rule.byMonth.includes(month)) return false;
  if (
    rule.byMonthDay.length > 0 &&
    !rule.byMonthDay.some((one) => (one > 0 ? one : daysInMonth(year, month) + 1 + one) === ofMonth)
  )
    return false;
  return rule.byDay.length === 0 || rule.byDay.some((one) => one.weekday === weekdayOf(day));
};

/** The days of the rule's period number `k` (from 0), ascending; some may lie before the start. */
export function candidates(rule: RecurrenceRule, startDay: DayNumber, k: number): readonly DayNumber[] {
  const start = civil(startDay);
  const step = k * rule.interval;
  switch (rule.freq) {
    case "DAILY":
      return matchesDay(rule, startDay + step) ? [startDay + step] : [];
    case "WEEKLY": {
      const weekStart = startDay - ((weekdayIndex(startDay) - indexOf(rule.wkst) + 7) % 7) + 7 * step;
      const weekdays = rule.byDay.length > 0 ? rule.byDay.map((one) => one.weekday) : [weekdayOf(startDay)];
      const days = weekdays.map((code) => weekStart + ((indexOf(code) - indexOf(rule.wkst) + 7) % 7));
      return unique(days).filter((day) => rule.byMonth.length === 0 || rule.byMonth.includes(civil(day).month));
    }
    case "MONTHLY": {
      const months = start.year * 12 + start.month - 1 + step;
      const month = (months % 12) + 1;
      if (rule.byMonth.length > 0 && !rule.byMonth.includes(month)) return [];
      return inMonth(rule, Math.floor(months / 12), month, start.day);
    }
    case "YEARLY":
      return inYear(rule, start.year + step, start);
  }
}
