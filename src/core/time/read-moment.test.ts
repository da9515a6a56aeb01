import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { localWords, readMoment } from ".";

const today = "2026-11-25"; // a Wednesday
const read = (typed: string) => {
  const outcome = readMoment(typed, today);
  return "local" in outcome ? outcome.local : outcome.fault;
};

describe("dates as people write them", () => {
  it.each([
    ["26 Nov 2026 18:00", "2026-11-26T18:00"],
    ["26 november, 18:00", "2026-11-26T18:00"],
    ["Thu 26 Nov 2026, 18:00", "2026-11-26T18:00"],
    ["the 3rd of March 2027 9:05", "2027-03-03T09:05"],
    ["Nov 26, 2026 6 pm", "2026-11-26T18:00"],
    ["Nov 26 6:30pm", "2026-11-26T18:30"],
    ["12 am 1 dec", "2026-12-01T00:00"],
    ["26.11.2026 18.00", "2026-11-26T18:00"],
    ["26.11. 18.30 Uhr", "2026-11-26T18:30"],
    ["26/11/26 18h30", "2026-11-26T18:30"],
    ["1/2 7h", "2027-02-01T07:00"],
    ["2026-11-26T18:00", "2026-11-26T18:00"],
    ["2026-11-26 18:00", "2026-11-26T18:00"],
    ["today 23:59", "2026-11-25T23:59"],
    ["tomorrow 9h", "2026-11-26T09:00"],
    ["thu 18:00", "2026-11-26T18:00"],
    ["wednesday 18:00", "2026-12-02T18:00"],
    ["3 jan 10:00", "2027-01-03T10:00"],
    ["29 feb 2027 10:00", "no-such-date"],
    ["31 apr 10:00", "no-such-date"],
    ["26 nov", "no-hour"],
    ["31/12 at noon", "2026-12-31T12:00"],
    ["midnight on 1 May", "2027-05-01T00:00"],
    ["tomorrow 9", "2026-11-26T09:00"],
    ["tomorrow at 9.15", "2026-11-26T09:15"],
    ["19.30 on 12 May", "2027-05-12T19:30"],
    ["12.05. 19.30", "2027-05-12T19:30"],
    ["in two weeks 18:00", "2026-12-09T18:00"],
    ["in a fortnight at 6 p.m.", "2026-12-09T18:00"],
    ["in 3 days 8 o'clock", "2026-11-28T08:00"],
    ["the day after tomorrow, 10:00", "2026-11-27T10:00"],
    ["tuesday week 10:00", "2026-12-08T10:00"],
    ["next tuesday 10:00", "2026-12-01T10:00"],
    ["next sunday 10:00", "2026-12-06T10:00"],
    ["sunday 10:00", "2026-11-29T10:00"],
    ["fri 26 nov 2026 18:00", "other-weekday"],
    ["26 nov 18:00 CET", "not-understood"],
    ["26 nov 18:00 or so", "not-understood"],
    ["26 nov 18:00-19:30", "not-understood"],
    ["in two weeks", "no-hour"],
    ["18:00", "no-date"],
    ["26 nov 25:00", "not-understood"],
    ["soon", "no-date"],
    ["", "no-date"],
  ])("%s → %s", (typed, wanted) => expect(read(typed)).toBe(wanted));

  it("names what it did not understand", () => {
    expect(readMoment("26 nov 18:00 (London time)", today)).toEqual({
      fault: "not-understood",
      words: "(london time)",
    });
    expect(readMoment("fri 26 nov 2026 18:00", today)).toEqual({ fault: "other-weekday", words: "thursday" });
  });

  it("keeps the hour that stood there when only the day is typed", () =>
    expect(readMoment("26 nov", today, "19:30")).toEqual({ local: "2026-11-26T19:30" }));

  it("reads back what it writes, for any minute of four hundred years", () => {
    const moment = fc
      .date({ min: new Date("1900-01-01T00:00:00Z"), max: new Date("2299-12-31T23:59:00Z"), noInvalidDate: true })
      .map((date) => date.toISOString().slice(0, 16));
    fc.assert(
      fc.property(moment, (local) => void expect(readMoment(localWords(local), today)).toEqual({ local })),
      { numRuns: 500 },
    );
  });
});
