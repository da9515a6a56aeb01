import { fail, ok, type Result } from "../../shared";
import { instantOf, wallTimeAt } from "../wall-time";
import { frequencies, weekdayCodes, type ByDay, type Frequency, type RecurrenceRule, type WeekdayCode } from "./rule";

const stamp = (local: string): string => `${local.replace(/[-:]/g, "")}00`;
const utcStamp = (instant: number): string =>
  new Date(instant)
    .toISOString()
    .replace(/[-:]/g, "")
    .replace(/\.\d{3}/, "");
const dayText = ({ weekday, ordinal }: ByDay): string => `${ordinal ?? ""}${weekday}`;

/** RRULE's value (RFC 5545 §3.3.10). UNTIL is written in UTC, as a start with TZID asks for. */
export function ruleText(rule: RecurrenceRule, zone: string): string {
  const parts = [`FREQ=${rule.freq}`];
  if (rule.interval !== 1) parts.push(`INTERVAL=${rule.interval}`);
  if (rule.count !== null) parts.push(`COUNT=${rule.count}`);
  if (rule.until !== null)
    parts.push(`UNTIL=${zone === "UTC" ? `${stamp(rule.until)}Z` : utcStamp(instantOf({ local: rule.until, zone }))}`);
  if (rule.byMonth.length > 0) parts.push(`BYMONTH=${rule.byMonth.join(",")}`);
  if (rule.byMonthDay.length > 0) parts.push(`BYMONTHDAY=${rule.byMonthDay.join(",")}`);
  if (rule.byDay.length > 0) parts.push(`BYDAY=${rule.byDay.map(dayText).join(",")}`);
  if (rule.wkst !== "MO") parts.push(`WKST=${rule.wkst}`);
  return parts.join(";");
}

/** `19971224T000000Z`, `19971224T000000` or `19971224` as local time in the zone; null for anything else. */
export function localFrom(value: string, zone: string, clockOfDate = "00:00"): string | null {
  const match = /^(\d{4})(\d{2})(\d{2})(?:T(\d{2})(\d{2})(\d{2})(Z)?)?$/.exec(value);
  if (!match) return null;
  const [, year, month, day, hour, minute, , isUtc] = match;
  const date = `${year}-${month}-${day}`;
  if (hour === undefined) return `${date}T${clockOfDate}`;
  const at = Date.parse(`${date}T${hour}:${minute}:00Z`);
  if (Number.isNaN(at)) return null;
  return isUtc ? wallTimeAt(at, zone).local : `${date}T${hour}:${minute}`;
}

const numbers = (value: string, low: number, high: number, isSigned: boolean): number[] | null => {
  const out = value.split(",").map(Number);
  const isFine = (n: number) => Number.isInteger(n) && Math.abs(n) >= low && Math.abs(n) <= high && (isSigned || n > 0);
  return out.every(isFine) ? out : null;
};

function days(value: string): ByDay[] | null {
  const out = value.split(",").map((part): ByDay | null => {
    const match = /^([+-]?\d{1,2})?(MO|TU|WE|TH|FR|SA|SU)$/.exec(part);
    if (!match) return null;
    const ordinal = match[1] === undefined ? null : Number(match[1]);
    return ordinal === 0 || (ordinal !== null && Math.abs(ordinal) > 53)
      ? null
      : { weekday: match[2] as WeekdayCode, ordinal };
  });
  return out.some((one) => one === null) ? null : (out as ByDay[]);
}

const unreadable = fail({ code: "bad-rule", reason: "text" } as const);

/**
 * Reads an RRULE value. Parts beyond rule 2 (BYSETPOS, BYHOUR, …) are refused by name, never ignored:
 * a series with a part left out would be another series.
 */
export function parseRule(text: string, zone: string): Result<RecurrenceRule> {
  const parts = new Map(
    text
      .trim()
      .toUpperCase()
      .replace(/^RRULE:/, "")
      .split(";")
      .filter(Boolean)
      .map((part) => part.split("=", 2) as [string, string]),
  );
  const known = new Set(["FREQ", "INTERVAL", "COUNT", "UNTIL", "BYMONTH", "BYMONTHDAY", "BYDAY", "WKST"]);
  const strange = [...parts.keys()].find((key) => !known.has(key));
  if (strange) return fail({ code: "rule-part-unknown", part: strange });
  const freq = parts.get("FREQ");
  const wkst = parts.get("WKST") ?? "MO";
  if (!frequencies.includes(freq as Frequency))
    return freq ? fail({ code: "rule-part-unknown", part: `FREQ=${freq}` }) : unreadable;
  if (!weekdayCodes.includes(wkst as WeekdayCode)) return unreadable;
  const read = <T>(key: string, how: (value: string) => T | null, fallback: T): T | null =>
    parts.has(key) ? how(parts.get(key)!) : fallback;
  const whole = (value: string) => (/^\d+$/.test(value) ? Number(value) : null);
  const interval = read("INTERVAL", whole, 1);
  const count = parts.has("COUNT") ? whole(parts.get("COUNT")!) : undefined;
  // a bare date covers that whole day
  const until = parts.has("UNTIL") ? localFrom(parts.get("UNTIL")!, zone, "23:59") : undefined;
  const byMonth = read("BYMONTH", (value) => numbers(value, 1, 12, false), []);
  const byMonthDay = read("BYMONTHDAY", (value) => numbers(value, 1, 31, true), []);
  const byDay = read("BYDAY", days, []);
  if (interval === null || count === null || until === null || !byMonth || !byMonthDay || !byDay) return unreadable;
  return ok({
    freq: freq as Frequency,
    interval,
    count: count ?? null,
    until: until ?? null,
    byMonth,
    byMonthDay,
    byDay,
    wkst: wkst as WeekdayCode,
  });
}
