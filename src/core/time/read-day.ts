import { Temporal } from "temporal-polyfill";
import { take, type Found, type MomentFault } from "./take-words";

type Day = Temporal.PlainDate;
type DayFault = { readonly fault: MomentFault; readonly words?: string };

const months = ["jan", "feb", "mar", "apr", "may", "jun", "jul", "aug", "sep", "oct", "nov", "dec"];
const weekdays = ["monday", "tuesday", "wednesday", "thursday", "friday", "saturday", "sunday"];
const counts = ["one", "two", "three", "four", "five", "six", "seven", "eight", "nine", "ten"];

// the whole name or its first three letters (four of September): "mark" is no month
const monthName =
  "(jan(?:uary)?|feb(?:ruary)?|mar(?:ch)?|apr(?:il)?|may|june?|july?|aug(?:ust)?|sept?(?:ember)?|oct(?:ober)?|nov(?:ember)?|dec(?:ember)?)";
const weekdayName =
  "(mon(?:day)?|tue(?:s|sday)?|wed(?:s|nesday)?|thu(?:r|rs|rsday)?|fri(?:day)?|sat(?:urday)?|sun(?:day)?)";

const monthOf = (name: string): number => months.indexOf(name.slice(0, 3)) + 1;
const weekdayOf = (name: string): number => weekdays.findIndex((one) => one.startsWith(name.slice(0, 3))) + 1;

/** A date without its year lies ahead: the next time it comes. Null where there is no such day. */
function dated(year: string | undefined, month: number, day: number, today: Day): Day | "no-such-date" {
  const whole = year === undefined ? today.year : year.length === 2 ? 2000 + Number(year) : Number(year);
  try {
    const date = Temporal.PlainDate.from({ year: whole, month, day }, { overflow: "reject" });
    return year === undefined && Temporal.PlainDate.compare(date, today) < 0 ? date.add({ years: 1 }) : date;
  } catch {
    return "no-such-date";
  }
}

/** "2026-11-26", "the 3rd of March 2027", "Nov 26", "26.11.", "31/12". */
function readCalendarDay(text: string, today: Day): Found<Day | "no-such-date"> | null {
  const ordinal = "(\\d{1,2})(?:st|nd|rd|th|\\.)?";
  return (
    take(text, /(\d{4})-(\d{1,2})-(\d{1,2})(?!\d)/, ([, y, m, d]) => dated(y, Number(m), Number(d), today)) ??
    take(
      text,
      new RegExp(`(?<![\\d.:/])${ordinal}\\s*(?:of )?${monthName}\\b\\.?,?(?: (\\d{4}|\\d{2})(?![\\d:.]))?`),
      ([, d, m, y]) => dated(y, monthOf(m!), Number(d), today),
    ) ??
    take(
      text,
      new RegExp(`\\b${monthName}\\.? (\\d{1,2})(?:st|nd|rd|th)?(?![\\d:.])(?:,? (\\d{4})(?![\\d:]))?`),
      ([, m, d, y]) => dated(y, monthOf(m!), Number(d), today),
    ) ??
    take(text, /(?<![\d./])(\d{1,2})[./](\d{1,2})(?:[./](\d{4}|\d{2}))?\.?(?![\d/])/, ([, d, m, y]) =>
      Number(m) > 12 ? null : dated(y, Number(m), Number(d), today),
    )
  );
}

const amountOf = (words: string): number =>
  words === "a" || words === "an" ? 1 : counts.includes(words) ? counts.indexOf(words) + 1 : Number(words);

/** The coming one of a weekday, never today. */
const coming = (weekday: number, today: Day): Day => today.add({ days: ((weekday - today.dayOfWeek + 6) % 7) + 1 });

/** "today", "tomorrow", "in two weeks", "tuesday week", "next tuesday", "thu". */
function readDayFromToday(text: string, today: Day): Found<Day> | null {
  const amount = `(an?|\\d{1,3}|${counts.join("|")})`;
  return (
    take(text, /\b(?:the )?day after tomorrow\b/, () => today.add({ days: 2 })) ??
    take(text, /\b(?:today|tonight)\b/, () => today) ??
    take(text, /\btomorrow\b/, () => today.add({ days: 1 })) ??
    take(text, /\bin (?:a )?fortnight\b/, () => today.add({ weeks: 2 })) ??
    take(text, new RegExp(`\\bin ${amount} (day|week|month)s?\\b`), ([, n, unit]) =>
      today.add({ [`${unit!}s`]: amountOf(n!) }),
    ) ??
    take(text, new RegExp(`\\b${weekdayName}\\.? week\\b`), ([, name]) =>
      coming(weekdayOf(name!), today).add({ weeks: 1 }),
    ) ??
    take(text, new RegExp(`\\bnext ${weekdayName}\\b`), ([, name]) =>
      today.add({ days: 7 - today.dayOfWeek + weekdayOf(name!) }),
    ) ??
    take(text, new RegExp(`\\b(?:this |coming )?${weekdayName}\\b`), ([, name]) => coming(weekdayOf(name!), today))
  );
}

/** The day in a text; a weekday beside a date must be that date's. Null: none is named. */
export function readDay(text: string, today: Day): Found<Day> | DayFault | null {
  const found = readCalendarDay(text, today);
  if (!found) return readDayFromToday(text, today);
  const { value: day, rest } = found;
  if (day === "no-such-date") return { fault: "no-such-date" };
  const beside = take(rest, new RegExp(`\\b${weekdayName}\\b`), ([, name]) => weekdayOf(name!));
  if (beside && beside.value !== day.dayOfWeek) return { fault: "other-weekday", words: weekdays[day.dayOfWeek - 1]! };
  return { value: day, rest: beside?.rest ?? rest };
}
