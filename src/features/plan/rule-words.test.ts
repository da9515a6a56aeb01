import { describe, expect, it } from "vitest";
import { fresh, ordinalOf, type Rule } from "./rule-words";

const rule: Rule = {
  freq: "WEEKLY",
  interval: 2,
  count: 6,
  until: null,
  byMonth: [],
  byMonthDay: [3],
  byDay: [],
  wkst: "MO",
};

describe("a rule begun from the first date", () => {
  it("repeats on the weekday of the first date, and keeps how often and how many", () => {
    // 26 November 2026 is a Thursday, the fourth of the month
    expect(fresh("WEEKLY", rule, "2026-11-26T18:00")).toEqual({
      ...rule,
      byMonthDay: [],
      byDay: [{ weekday: "TH", ordinal: null }],
    });
    expect(fresh("MONTHLY", rule, "2026-11-26T18:00").byDay).toEqual([{ weekday: "TH", ordinal: 4 }]);
    expect(fresh("DAILY", rule, "2026-11-26T18:00").byDay).toEqual([]);
  });
  it("counts the weekdays of a month; a fifth one, which most months lack, becomes the fourth", () => {
    expect(["01", "07", "08", "28", "29", "31"].map((day) => ordinalOf(`2026-10-${day}T18:00`))).toEqual([
      1, 1, 2, 4, 5, 5,
    ]);
    expect(fresh("MONTHLY", rule, "2026-10-29T18:00").byDay).toEqual([{ weekday: "TH", ordinal: 4 }]);
  });
});
