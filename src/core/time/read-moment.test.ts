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
    ["18:00", "no-date"],
    ["26 nov 25:00", "no-hour"],
    ["soon", "no-date"],
    ["", "no-date"],
  ])("%s → %s", (typed, wanted) => expect(read(typed)).toBe(wanted));

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
