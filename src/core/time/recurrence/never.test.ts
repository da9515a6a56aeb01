import { describe, expect, it } from "vitest";
import { canNeverMatch, checkRule, datesOfSeries, starts, weeklyRule, type RecurrenceRule } from "..";

const rule = (part: Partial<RecurrenceRule>): RecurrenceRule => weeklyRule({ freq: "DAILY", ...part });
const startLocal = "2027-01-01T09:00";
const firstFew = (one: RecurrenceRule, n: number): string[] => {
  const out: string[] = [];
  for (const local of starts(one, startLocal)) {
    out.push(local.slice(0, 10));
    if (out.length === n) break;
  }
  return out;
};

/** RFC 5545 §3.3.10: invalid dates are ignored; a rule that names only such has no date at all. */
describe("rules that no day of any calendar meets", () => {
  it.each([
    ["a 30 February each day", rule({ byMonth: [2], byMonthDay: [30] })],
    ["a 31st of the short months", rule({ freq: "MONTHLY", byMonth: [4, 6, 9, 11], byMonthDay: [31] })],
    ["the 30th last day of February", rule({ freq: "YEARLY", byMonth: [2], byMonthDay: [-30] })],
    ["a sixth Monday of the month", rule({ freq: "MONTHLY", byDay: [{ weekday: "MO", ordinal: 6 }] })],
    ["a 54th Monday of the year", rule({ freq: "YEARLY", byDay: [{ weekday: "MO", ordinal: 54 }] })],
  ])("%s is refused before it is looked for", (_, one) => {
    expect(canNeverMatch(one)).toBe(true);
    expect(checkRule(one, startLocal)).toMatchObject({ ok: false, failure: { code: "no-dates" } });
    const series = { rule: one, startLocal, zone: "UTC", exdates: [], rdates: [] };
    expect(datesOfSeries(series, "2030-01-01T00:00")).toMatchObject({ ok: false });
  });

  it.each([
    ["a 29 February", rule({ byMonth: [2], byMonthDay: [29] })],
    ["a 31st of any month", rule({ freq: "MONTHLY", byMonthDay: [31] })],
    ["a 31st where one month of two has it", rule({ freq: "YEARLY", byMonth: [2, 3], byMonthDay: [31] })],
    ["a fifth Monday", rule({ freq: "MONTHLY", byDay: [{ weekday: "MO", ordinal: 5 }] })],
    ["a 53rd Monday of the year", rule({ freq: "YEARLY", byDay: [{ weekday: "MO", ordinal: 53 }] })],
    ["no part at all", rule({})],
  ])("%s is a rule like others", (_, one) => {
    expect(canNeverMatch(one)).toBe(false);
    expect(firstFew(one, 3)).toHaveLength(3);
  });
});

describe("the longest gap between two dates is waited for, and no longer", () => {
  it("29 February on a Monday: 2044 and 2072, then 2112, for 2100 has no leap day (perpetual calendar)", () => {
    const mondays = rule({ byMonth: [2], byMonthDay: [29], byDay: [{ weekday: "MO", ordinal: null }] });
    expect(firstFew(mondays, 4)).toEqual(["2027-01-01", "2044-02-29", "2072-02-29", "2112-02-29"]);
  });
  it("a rule that its own interval keeps from ever meeting its month ends, though nothing in it is impossible by itself", () => {
    // every twelfth month from January on is a January
    const never = rule({ freq: "MONTHLY", interval: 12, byMonth: [2] });
    expect(firstFew(never, 5)).toEqual(["2027-01-01"]);
  });
});
