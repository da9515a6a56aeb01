import { indexOf } from "./days";
import type { ByDay, RecurrenceRule } from "./rule";

const weekdayNames = ["Monday", "Tuesday", "Wednesday", "Thursday", "Friday", "Saturday", "Sunday"];
const monthNames = [
  "January",
  "February",
  "March",
  "April",
  "May",
  "June",
  "July",
  "August",
  "September",
  "October",
  "November",
  "December",
];
const ordinalNames: Readonly<Record<number, string>> = {
  1: "first",
  2: "second",
  3: "third",
  4: "fourth",
  5: "fifth",
  [-1]: "last",
  [-2]: "second to last",
  [-3]: "third to last",
};
const units = {
  DAILY: ["day", "days"],
  WEEKLY: ["week", "weeks"],
  MONTHLY: ["month", "months"],
  YEARLY: ["year", "years"],
} as const;

const list = (words: readonly string[]): string =>
  words.length < 2 ? words.join("") : `${words.slice(0, -1).join(", ")} and ${words.at(-1)}`;
const suffixed = (n: number): string =>
  `${n}${n % 100 >= 11 && n % 100 <= 13 ? "th" : (["th", "st", "nd", "rd"][n % 10] ?? "th")}`;
const nth = (ordinal: number): string =>
  ordinalNames[ordinal] ?? (ordinal > 0 ? suffixed(ordinal) : `${suffixed(-ordinal)} to last`);
const dayName = ({ weekday, ordinal }: ByDay): string =>
  ordinal === null ? weekdayNames[indexOf(weekday)]! : `the ${nth(ordinal)} ${weekdayNames[indexOf(weekday)]}`;
const monthDay = (day: number): string =>
  day > 0 ? `the ${suffixed(day)}` : day === -1 ? "the last day" : `the ${nth(day)} day`;

/** "26 Nov 2026" from a local date and time. */
const shortDay = (local: string): string =>
  `${Number(local.slice(8, 10))} ${monthNames[Number(local.slice(5, 7)) - 1]!.slice(0, 3)} ${local.slice(0, 4)}`;

function onWhichDays(rule: RecurrenceRule, startLocal: string): string {
  const months = rule.byMonth.length > 0 ? ` in ${list(rule.byMonth.map((month) => monthNames[month - 1]!))}` : "";
  const weekdays = [...rule.byDay].sort((a, b) =>
    a.ordinal === null && b.ordinal === null ? indexOf(a.weekday) - indexOf(b.weekday) : 0,
  );
  if (rule.byMonthDay.length > 0) {
    const days = list(rule.byMonthDay.map(monthDay));
    return rule.byDay.length > 0
      ? ` on ${list(weekdays.map(dayName))} where it is ${days.replaceAll(" and ", " or ")}${months}`
      : ` on ${days}${months}`;
  }
  if (rule.byDay.length > 0) return ` on ${list(weekdays.map(dayName))}${months}`;
  if (rule.freq === "DAILY") return months;
  if (rule.freq === "WEEKLY") return `${months}`;
  if (rule.freq === "MONTHLY") return ` on the ${suffixed(Number(startLocal.slice(8, 10)))}${months}`;
  return months || ` on ${Number(startLocal.slice(8, 10))} ${monthNames[Number(startLocal.slice(5, 7)) - 1]}`;
}

/** The rule as a person would say it: "Every second week on Tuesday and Thursday, 8 times". */
export function ruleSentence(rule: RecurrenceRule, startLocal: string): string {
  const [one, many] = units[rule.freq];
  const every =
    rule.interval === 1
      ? `Every ${one}`
      : rule.interval === 2
        ? `Every second ${one}`
        : `Every ${rule.interval} ${many}`;
  const end =
    rule.count !== null
      ? `, ${rule.count === 1 ? "once" : `${rule.count} times`}`
      : rule.until !== null
        ? `, until ${shortDay(rule.until)}`
        : ", with no end set";
  return `${every}${onWhichDays(rule, startLocal)}${end}`;
}
