import { Temporal } from "temporal-polyfill";

/** Why a typed date and hour could not be read. */
export type MomentFault = "no-date" | "no-hour" | "no-such-date";
export type ReadMoment = { readonly local: string } | { readonly fault: MomentFault };

const months = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const weekdays = ["mon", "tue", "wed", "thu", "fri", "sat", "sun"];

interface Found<T> {
  readonly value: T;
  /** the text without what was read */
  readonly rest: string;
}

function take<T>(text: string, pattern: RegExp, read: (match: RegExpExecArray) => T | null): Found<T> | null {
  const match = pattern.exec(text);
  const value = match && read(match);
  return match && value !== null
    ? { value, rest: text.slice(0, match.index) + " " + text.slice(match.index + match[0].length) }
    : null;
}

const hourOf = (hour: number, minute: number): string | null =>
  hour < 24 && minute < 60 ? `${String(hour).padStart(2, "0")}:${String(minute).padStart(2, "0")}` : null;

/** "18:00", "18.30 h", "18h30", "6 pm", "6:30 pm". */
function readHour(text: string): Found<string> | null {
  const halfDay = take(text, /\b(\d{1,2})(?:[:.](\d{2}))?\s*([ap])\.?m\b\.?/, ([, h, m, half]) => {
    const hour = Number(h);
    return hour < 1 || hour > 12 ? null : hourOf((hour % 12) + (half === "p" ? 12 : 0), Number(m ?? 0));
  });
  if (halfDay) return halfDay;
  return (
    take(text, /(?:^|[\sT])(\d{1,2})(?::|h)(\d{2})(?!\d)/, ([, h, m]) => hourOf(Number(h), Number(m))) ??
    take(text, /(?:^|\s)(\d{1,2})\.(\d{2})\s*(?:h|uhr)?\s*$/, ([, h, m]) => hourOf(Number(h), Number(m))) ??
    take(text, /(?:^|\s)(\d{1,2})\s*h\b/, ([, h]) => hourOf(Number(h), 0))
  );
}

const fullYear = (text: string | undefined, fallback: number): number =>
  text === undefined ? fallback : text.length === 2 ? 2000 + Number(text) : Number(text);

/** A date without its year lies ahead: the next time it comes. */
function dated(
  year: string | undefined,
  month: number,
  day: number,
  today: Temporal.PlainDate,
): Temporal.PlainDate | null {
  try {
    const date = Temporal.PlainDate.from({ year: fullYear(year, today.year), month, day }, { overflow: "reject" });
    return year === undefined && Temporal.PlainDate.compare(date, today) < 0 ? date.add({ years: 1 }) : date;
  } catch {
    return null;
  }
}

function byName(name: string, names: readonly string[]): number {
  return names.findIndex((one) => name.startsWith(one));
}

/** `undefined`: no date in it; `null`: one that does not exist. */
function readDate(text: string, today: Temporal.PlainDate): Temporal.PlainDate | null | undefined {
  const iso = /(\d{4})-(\d{1,2})-(\d{1,2})/.exec(text);
  if (iso) return dated(iso[1], Number(iso[2]), Number(iso[3]), today);
  const dayFirst = /\b(\d{1,2})(?:st|nd|rd|th|\.)?\s+(?:of\s+)?([a-z]{3,})\.?,?(?:\s+(\d{4}|\d{2}))?(?![\d:])/.exec(
    text,
  );
  if (dayFirst && byName(dayFirst[2]!, months) >= 0)
    return dated(dayFirst[3], byName(dayFirst[2]!, months) + 1, Number(dayFirst[1]), today);
  const monthFirst = /\b([a-z]{3,})\.?\s+(\d{1,2})(?:st|nd|rd|th)?(?:,?\s+(\d{4}))?(?![\d:])/.exec(text);
  if (monthFirst && byName(monthFirst[1]!, months) >= 0)
    return dated(monthFirst[3], byName(monthFirst[1]!, months) + 1, Number(monthFirst[2]), today);
  const numbers = /\b(\d{1,2})[./](\d{1,2})(?:[./](\d{4}|\d{2}))?\.?(?!\d)/.exec(text);
  if (numbers) return dated(numbers[3], Number(numbers[2]), Number(numbers[1]), today);
  if (/\btoday\b/.test(text)) return today;
  if (/\btomorrow\b/.test(text)) return today.add({ days: 1 });
  const word = /\b(mon|tue|wed|thu|fri|sat|sun)[a-z]*\b/.exec(text);
  if (word) return today.add({ days: ((byName(word[1]!, weekdays) + 1 - today.dayOfWeek + 6) % 7) + 1 });
  return undefined;
}

/**
 * A date and hour as people write them: "26 Nov 2026 18:00", "26.11.2026, 18.00", "Nov 26 6 pm",
 * "2026-11-26 18:00", "thu 18:00", "tomorrow 9h". Numbers alone are day before month. Without an hour
 * `hourBefore` stays; without a date the day of `todayLocal` is not guessed.
 * @param todayLocal `YYYY-MM-DD…`, today in the event's zone
 */
export function readMoment(typed: string, todayLocal: string, hourBefore: string | null = null): ReadMoment {
  const text = typed
    .trim()
    .toLowerCase()
    .replace(/\s+/g, " ")
    .replace(/(\d)t(\d)/, "$1 $2");
  const hour = readHour(text);
  const date = readDate(hour ? hour.rest : text, Temporal.PlainDate.from(todayLocal.slice(0, 10)));
  if (date === undefined) return { fault: "no-date" };
  if (date === null) return { fault: "no-such-date" };
  const clock = hour?.value ?? hourBefore;
  return clock === null ? { fault: "no-hour" } : { local: `${date.toString()}T${clock}` };
}
