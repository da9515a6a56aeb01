import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  datesOfSeries,
  firstMatch,
  kindOfWallTime,
  moveSeries,
  parseRule,
  ruleSentence,
  ruleText,
  skippedMonths,
  splitSeries,
  starts,
  type Series,
} from "..";
import { unwrap } from "../../shared";
import { newYork, series } from "./test-series";

describe("rule 2: what a series may be, and how it changes", () => {
  const dates = (one: Series, horizon = "2030-01-01T00:00") => unwrap(datesOfSeries(one, horizon));
  const fault = (one: Series) => {
    const outcome = datesOfSeries(one, "2030-01-01T00:00");
    return outcome.ok ? "fine" : outcome.failure.code;
  };

  it("refuses rules without a date, with COUNT 0, an UNTIL before the start, or more than 366 dates", () => {
    expect(fault({ ...series("FREQ=DAILY;COUNT=1"), exdates: ["1997-09-02T09:00"] })).toBe("no-dates");
    expect(fault(series("FREQ=DAILY;COUNT=0"))).toBe("bad-rule");
    expect(fault(series("FREQ=DAILY;UNTIL=19970901T000000Z"))).toBe("bad-rule");
    expect(fault(series("FREQ=DAILY;COUNT=400"))).toBe("too-many-dates");
    expect(fault(series("FREQ=DAILY;COUNT=366"))).toBe("fine");
    expect(fault(series("FREQ=WEEKLY;INTERVAL=0"))).toBe("bad-rule");
    expect(
      firstMatch(unwrap(parseRule("FREQ=MONTHLY;BYMONTH=2;BYMONTHDAY=30", newYork)), "2027-01-01T09:00"),
    ).toBeNull();
    for (const text of [
      "FREQ=HOURLY",
      "FREQ=MONTHLY;BYSETPOS=1;BYDAY=MO",
      "INTERVAL=2",
      "FREQ=WEEKLY;BYDAY=XX",
      "FREQ=MONTHLY;BYMONTHDAY=32",
    ])
      expect([text, parseRule(text, newYork).ok]).toEqual([text, false]);
  });

  it("keeps an open-ended series filled two years ahead, at most 366 dates", () => {
    expect(dates(series("FREQ=WEEKLY", "2027-01-04T18:00"), "2029-01-04T18:00")).toHaveLength(105);
    expect(dates(series("FREQ=DAILY", "2027-01-04T18:00"), "2029-01-04T18:00")).toHaveLength(366);
  });

  it("names the months that a rule on the 31st skips", () => {
    const rule = series("FREQ=MONTHLY;COUNT=7", "2027-01-31T18:00");
    expect(dates(rule).map((local) => local.slice(0, 7))).toEqual([
      "2027-01",
      "2027-03",
      "2027-05",
      "2027-07",
      "2027-08",
      "2027-10",
      "2027-12",
    ]);
    expect(skippedMonths(rule.rule, dates(rule))).toEqual(["2027-02", "2027-04", "2027-06", "2027-09", "2027-11"]);
  });

  it("counts a date that the clocks shift like any other", () => {
    const madrid: Series = { ...series("FREQ=WEEKLY;COUNT=3", "2027-03-21T02:30"), zone: "Europe/Madrid" };
    const all = dates(madrid);
    expect(all).toEqual(["2027-03-21T02:30", "2027-03-28T02:30", "2027-04-04T02:30"]);
    expect(all.map((local) => kindOfWallTime({ local, zone: "Europe/Madrid" }))).toEqual(["plain", "gap", "plain"]);
  });

  it("splits with an UNTIL before and the remaining COUNT after, EXDATE counted", () => {
    const whole = series("FREQ=WEEKLY;COUNT=10", "2027-01-04T18:00", {
      exdates: ["2027-01-11T18:00", "2027-02-22T18:00"],
      rdates: ["2027-01-06T18:00"],
    });
    const { earlier, later } = splitSeries(whole, "2027-02-01T18:00");
    expect(earlier!.rule).toMatchObject({ count: null, until: "2027-01-25T18:00" });
    expect(later.rule.count).toBe(6);
    expect([...dates(earlier!), ...dates(later)].sort()).toEqual(dates(whole));
  });

  it("gives the same dates split anywhere as whole", () => {
    const rules = [
      "FREQ=WEEKLY;BYDAY=TU,TH;COUNT=20",
      "FREQ=MONTHLY;BYDAY=1TH;COUNT=12",
      "FREQ=DAILY;INTERVAL=3;UNTIL=20270401T000000Z",
      "FREQ=WEEKLY;INTERVAL=2;BYDAY=MO,SU;WKST=SU;COUNT=15",
    ];
    fc.assert(
      fc.property(fc.constantFrom(...rules), fc.nat(30), fc.array(fc.nat(19), { maxLength: 4 }), (text, at, holes) => {
        const open = series(text, "2027-01-05T18:00");
        const startLocal = firstMatch(open.rule, open.startLocal)!;
        const made = [...starts(open.rule, startLocal)];
        const whole = { ...open, startLocal, exdates: [...new Set(holes.map((i) => made[i % made.length]!))] };
        fc.pre(whole.exdates.length < made.length);
        const { earlier, later } = splitSeries(whole, made[at % made.length]!);
        const parts = [earlier, later].flatMap((one) =>
          one ? (datesOfSeries(one, "2030-01-01T00:00").ok ? dates(one) : []) : [],
        );
        expect(parts.sort()).toEqual(dates(whole));
      }),
      { numRuns: 300 },
    );
  });

  it("moves a whole series with what was taken out and put in, weekdays and UNTIL too", () => {
    const whole = series("FREQ=WEEKLY;BYDAY=TU,TH;UNTIL=20270401T000000Z", "2027-01-05T18:00", {
      exdates: ["2027-01-07T18:00"],
      rdates: ["2027-01-09T18:00"],
    });
    const { series: moved, shiftMinutes } = moveSeries(whole, "2027-01-06T19:30");
    expect(shiftMinutes).toBe(24 * 60 + 90);
    expect(moved.exdates).toEqual(["2027-01-08T19:30"]);
    expect(dates(moved).slice(0, 4)).toEqual([
      "2027-01-06T19:30",
      "2027-01-10T19:30",
      "2027-01-13T19:30",
      "2027-01-15T19:30",
    ]);
    expect(dates(moved)).toHaveLength(dates(whole).length);
  });

  it.each([
    ["FREQ=MONTHLY;BYDAY=1TH;COUNT=6", "2027-01-07", "2027-01-08", "FREQ=MONTHLY;BYDAY=2FR;COUNT=6"],
    ["FREQ=MONTHLY;BYDAY=1TH;COUNT=6", "2027-02-04", "2027-02-05", "FREQ=MONTHLY;BYDAY=1FR;COUNT=6"],
    ["FREQ=MONTHLY;BYDAY=1TH,3TH;COUNT=6", "2027-02-04", "2027-02-05", "FREQ=MONTHLY;BYDAY=1FR,3FR;COUNT=6"],
    ["FREQ=MONTHLY;BYDAY=-1FR;COUNT=6", "2027-01-29", "2027-01-27", "FREQ=MONTHLY;BYDAY=-1WE;COUNT=6"],
    ["FREQ=MONTHLY;BYMONTHDAY=15;COUNT=6", "2027-01-15", "2027-01-20", "FREQ=MONTHLY;BYMONTHDAY=20;COUNT=6"],
    ["FREQ=MONTHLY;BYMONTHDAY=-1;COUNT=6", "2027-01-31", "2027-01-30", "FREQ=MONTHLY;BYMONTHDAY=-2;COUNT=6"],
    ["FREQ=YEARLY;BYMONTH=3;BYDAY=1SA;COUNT=3", "2027-03-06", "2027-04-03", "FREQ=YEARLY;BYMONTH=4;BYDAY=1SA;COUNT=3"],
    ["FREQ=DAILY;INTERVAL=3;COUNT=6", "2027-01-05", "2027-01-06", "FREQ=DAILY;INTERVAL=3;COUNT=6"],
  ])("moves the days of %s from %s to %s: %s, every date in its place", (text, from, to, movedText) => {
    const whole = series(text, `${from}T18:00`);
    const { series: moved, movedStart } = moveSeries(whole, `${to}T19:00`);
    const wanted = series(movedText, `${to}T19:00`);
    expect(dates(moved)).toEqual(dates(wanted));
    expect(dates(whole).map(movedStart)).toEqual(dates(wanted));
  });

  it("leaves no later date on the old weekday when the rule has no end", () => {
    const whole = series("FREQ=MONTHLY;BYDAY=1TH", "2027-02-04T18:00");
    const { series: moved } = moveSeries(whole, "2027-02-05T18:00");
    const weekdays = new Set(dates(moved).map((local) => new Date(`${local}Z`).getUTCDay()));
    expect(weekdays).toEqual(new Set([5]));
  });

  it.each([
    ["FREQ=WEEKLY;INTERVAL=2;BYDAY=TU,TH;COUNT=8", "Every second week on Tuesday and Thursday, 8 times"],
    ["FREQ=MONTHLY;BYDAY=1TH;UNTIL=20271224T235900Z", "Every month on the first Thursday, until 24 Dec 2027"],
    ["FREQ=MONTHLY;BYDAY=-1FR", "Every month on the last Friday, with no end set"],
    ["FREQ=MONTHLY;BYMONTHDAY=1,-1;COUNT=10", "Every month on the 1st and the last day, 10 times"],
    ["FREQ=MONTHLY;INTERVAL=3;COUNT=4", "Every 3 months on the 5th, 4 times"],
    ["FREQ=YEARLY;BYMONTH=3;BYDAY=TH;COUNT=3", "Every year on Thursday in March, 3 times"],
    ["FREQ=YEARLY;COUNT=2", "Every year on 5 January, 2 times"],
    ["FREQ=DAILY;COUNT=1", "Every day, once"],
    ["FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8;COUNT=2", "Every month on Saturday where it is the 7th or the 8th, 2 times"],
    ["FREQ=YEARLY;BYDAY=20MO;COUNT=2", "Every year on the 20th Monday, 2 times"],
  ])("says %s as: %s", (text, sentence) => expect(ruleSentence(series(text).rule, "2027-01-05T18:00")).toBe(sentence));

  it("reads back the rule it writes", () => {
    for (const text of [
      "FREQ=WEEKLY;INTERVAL=2;COUNT=8;BYDAY=TU,TH;WKST=SU",
      "FREQ=YEARLY;UNTIL=20271224T235900Z;BYMONTH=3,6;BYMONTHDAY=1,-1",
    ])
      expect(ruleText(unwrap(parseRule(text, newYork)), newYork)).toBe(text);
  });
});
