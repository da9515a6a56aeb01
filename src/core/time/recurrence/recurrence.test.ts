import { describe, expect, it } from "vitest";
import { instantOf, starts, type Series } from "..";
import { newYork, series } from "./test-series";

const days = (one: Series, most = 400): string[] => {
  const out: string[] = [];
  for (const local of starts(one.rule, one.startLocal)) {
    if (out.length === most) break;
    if (!one.exdates.includes(local)) out.push(local.slice(0, 10));
  }
  return out;
};
/** "1997-09: 2 4 9" → full dates. */
const listed = (...months: string[]): string[] =>
  months.flatMap((month) => {
    const [name, list] = month.split(": ") as [string, string];
    return list.split(" ").map((day) => `${name}-${day.padStart(2, "0")}`);
  });
const range = (from: number, to: number, step = 1) =>
  Array.from({ length: Math.floor((to - from) / step) + 1 }, (_, i) => from + i * step).join(" ");

describe("rule 2: the examples of RFC 5545 §3.8.5.3 that use these parts", () => {
  // DTSTART;TZID=America/New_York:19970902T090000 unless a start is given; open ones are cut after what the RFC lists
  it.each<[what: string, rule: string, dates: string[], start?: string]>([
    ["daily for 10", "FREQ=DAILY;COUNT=10", listed(`1997-09: ${range(2, 11)}`)],
    [
      "daily until December 24",
      "FREQ=DAILY;UNTIL=19971224T000000Z",
      listed(
        `1997-09: ${range(2, 30)}`,
        `1997-10: ${range(1, 31)}`,
        `1997-11: ${range(1, 30)}`,
        `1997-12: ${range(1, 23)}`,
      ),
    ],
    [
      "every other day",
      "FREQ=DAILY;INTERVAL=2",
      listed(
        `1997-09: ${range(2, 30, 2)}`,
        `1997-10: ${range(2, 30, 2)}`,
        `1997-11: ${range(1, 29, 2)}`,
        `1997-12: ${range(1, 31, 2)}`,
      ),
    ],
    ["every 10 days, 5 times", "FREQ=DAILY;INTERVAL=10;COUNT=5", listed("1997-09: 2 12 22", "1997-10: 2 12")],
    [
      "every day in January, yearly",
      "FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA",
      listed(`1998-01: ${range(1, 31)}`, `1999-01: ${range(1, 31)}`, `2000-01: ${range(1, 31)}`),
      "1998-01-01T09:00",
    ],
    [
      "every day in January, daily",
      "FREQ=DAILY;UNTIL=20000131T140000Z;BYMONTH=1",
      listed(`1998-01: ${range(1, 31)}`, `1999-01: ${range(1, 31)}`, `2000-01: ${range(1, 31)}`),
      "1998-01-01T09:00",
    ],
    ["weekly for 10", "FREQ=WEEKLY;COUNT=10", listed("1997-09: 2 9 16 23 30", "1997-10: 7 14 21 28", "1997-11: 4")],
    [
      "weekly until December 24",
      "FREQ=WEEKLY;UNTIL=19971224T000000Z",
      listed("1997-09: 2 9 16 23 30", "1997-10: 7 14 21 28", "1997-11: 4 11 18 25", "1997-12: 2 9 16 23"),
    ],
    [
      "every other week",
      "FREQ=WEEKLY;INTERVAL=2;WKST=SU",
      listed("1997-09: 2 16 30", "1997-10: 14 28", "1997-11: 11 25", "1997-12: 9 23", "1998-01: 6 20", "1998-02: 3 17"),
    ],
    [
      "Tuesday and Thursday for five weeks, until",
      "FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH",
      listed("1997-09: 2 4 9 11 16 18 23 25 30", "1997-10: 2"),
    ],
    [
      "Tuesday and Thursday for five weeks, counted",
      "FREQ=WEEKLY;COUNT=10;WKST=SU;BYDAY=TU,TH",
      listed("1997-09: 2 4 9 11 16 18 23 25 30", "1997-10: 2"),
    ],
    [
      "every other week on Monday, Wednesday, Friday",
      "FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR",
      listed(
        "1997-09: 1 3 5 15 17 19 29",
        "1997-10: 1 3 13 15 17 27 29 31",
        "1997-11: 10 12 14 24 26 28",
        "1997-12: 8 10 12 22",
      ),
      "1997-09-01T09:00",
    ],
    [
      "every other week on Tuesday and Thursday, 8",
      "FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH",
      listed("1997-09: 2 4 16 18 30", "1997-10: 2 14 16"),
    ],
    [
      "monthly on the first Friday, 10",
      "FREQ=MONTHLY;COUNT=10;BYDAY=1FR",
      listed(
        "1997-09: 5",
        "1997-10: 3",
        "1997-11: 7",
        "1997-12: 5",
        "1998-01: 2",
        "1998-02: 6",
        "1998-03: 6",
        "1998-04: 3",
        "1998-05: 1",
        "1998-06: 5",
      ),
      "1997-09-05T09:00",
    ],
    [
      "monthly on the first Friday until December 24",
      "FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR",
      listed("1997-09: 5", "1997-10: 3", "1997-11: 7", "1997-12: 5"),
      "1997-09-05T09:00",
    ],
    [
      "every other month on the first and last Sunday",
      "FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU",
      listed("1997-09: 7 28", "1997-11: 2 30", "1998-01: 4 25", "1998-03: 1 29", "1998-05: 3 31"),
      "1997-09-07T09:00",
    ],
    [
      "monthly on the second-to-last Monday",
      "FREQ=MONTHLY;COUNT=6;BYDAY=-2MO",
      listed("1997-09: 22", "1997-10: 20", "1997-11: 17", "1997-12: 22", "1998-01: 19", "1998-02: 16"),
      "1997-09-22T09:00",
    ],
    [
      "monthly on the third-to-last day",
      "FREQ=MONTHLY;BYMONTHDAY=-3",
      listed("1997-09: 28", "1997-10: 29", "1997-11: 28", "1997-12: 29", "1998-01: 29", "1998-02: 26"),
      "1997-09-28T09:00",
    ],
    [
      "monthly on the 2nd and 15th",
      "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15",
      listed("1997-09: 2 15", "1997-10: 2 15", "1997-11: 2 15", "1997-12: 2 15", "1998-01: 2 15"),
    ],
    [
      "monthly on the first and last day",
      "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1",
      listed("1997-09: 30", "1997-10: 1 31", "1997-11: 1 30", "1997-12: 1 31", "1998-01: 1 31", "1998-02: 1"),
      "1997-09-30T09:00",
    ],
    [
      "every 18 months on the 10th to 15th",
      "FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15",
      listed("1997-09: 10 11 12 13 14 15", "1999-03: 10 11 12 13"),
      "1997-09-10T09:00",
    ],
    [
      "every Tuesday, every other month",
      "FREQ=MONTHLY;INTERVAL=2;BYDAY=TU",
      listed("1997-09: 2 9 16 23 30", "1997-11: 4 11 18 25", "1998-01: 6 13 20 27", "1998-03: 3 10 17 24 31"),
    ],
    [
      "yearly in June and July",
      "FREQ=YEARLY;COUNT=10;BYMONTH=6,7",
      ["1997", "1998", "1999", "2000", "2001"].flatMap((year) => [`${year}-06-10`, `${year}-07-10`]),
      "1997-06-10T09:00",
    ],
    [
      "every other year in January to March",
      "FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3",
      [
        "1997-03-10",
        ...["1999", "2001", "2003"].flatMap((year) => [`${year}-01-10`, `${year}-02-10`, `${year}-03-10`]),
      ],
      "1997-03-10T09:00",
    ],
    [
      "every 20th Monday of the year",
      "FREQ=YEARLY;BYDAY=20MO",
      ["1997-05-19", "1998-05-18", "1999-05-17"],
      "1997-05-19T09:00",
    ],
    [
      "every Thursday in March",
      "FREQ=YEARLY;BYMONTH=3;BYDAY=TH",
      listed("1997-03: 13 20 27", "1998-03: 5 12 19 26", "1999-03: 4 11 18 25"),
      "1997-03-13T09:00",
    ],
    [
      "every Thursday in June to August",
      "FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8",
      listed(
        "1997-06: 5 12 19 26",
        "1997-07: 3 10 17 24 31",
        "1997-08: 7 14 21 28",
        "1998-06: 4 11 18 25",
        "1998-07: 2 9 16 23 30",
        "1998-08: 6 13 20 27",
        "1999-06: 3 10 17 24",
        "1999-07: 1 8 15 22 29",
        "1999-08: 5 12 19 26",
      ),
      "1997-06-05T09:00",
    ],
    [
      "the first Saturday after the first Sunday",
      "FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13",
      [
        "1997-09-13",
        "1997-10-11",
        "1997-11-08",
        "1997-12-13",
        "1998-01-10",
        "1998-02-07",
        "1998-03-07",
        "1998-04-11",
        "1998-05-09",
        "1998-06-13",
      ],
      "1997-09-13T09:00",
    ],
    [
      "every 4 years, the Tuesday after a Monday in November",
      "FREQ=YEARLY;INTERVAL=4;BYMONTH=11;BYDAY=TU;BYMONTHDAY=2,3,4,5,6,7,8",
      ["1996-11-05", "2000-11-07", "2004-11-02"],
      "1996-11-05T09:00",
    ],
    [
      "a week that begins on Monday",
      "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO",
      listed("1997-08: 5 10 19 24"),
      "1997-08-05T09:00",
    ],
    [
      "a week that begins on Sunday",
      "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU",
      listed("1997-08: 5 17 19 31"),
      "1997-08-05T09:00",
    ],
    [
      "an invalid date is skipped",
      "FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5",
      ["2007-01-15", "2007-01-30", "2007-02-15", "2007-03-15", "2007-03-30"],
      "2007-01-15T09:00",
    ],
  ])("%s", (_what, rule, dates, start) => expect(days(series(rule, start), dates.length)).toEqual(dates));

  it("every Friday the 13th, the first start taken out by EXDATE", () => {
    const fridays = series("FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13", "1997-09-02T09:00", {
      exdates: ["1997-09-02T09:00"],
    });
    expect(days(fridays, 5)).toEqual(["1998-02-13", "1998-03-13", "1998-11-13", "1999-08-13", "2000-10-13"]);
  });

  it("keeps its hour through a clock change: 9 o'clock in New York is 13:00Z, then 14:00Z", () => {
    const at = (local: string) => new Date(instantOf({ local, zone: newYork })).toISOString().slice(11, 16);
    expect([at("1997-10-25T09:00"), at("1997-10-26T09:00")]).toEqual(["13:00", "14:00"]);
  });
});
