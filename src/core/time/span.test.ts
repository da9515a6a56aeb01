import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { readSpan, spanWords } from ".";

describe("lengths as people type them", () => {
  it.each([
    ["20", 20],
    ["20 min", 20],
    [" 20min ", 20],
    ["24 h", 1440],
    ["1 h 30 min", 90],
    ["1h30m", 90],
    ["1:30", 90],
    ["1.5 h", 90],
    ["1,5 h", 90],
    ["2 days", 2880],
    ["1 day 2 hours", 1560],
    ["0", 0],
  ])("%s is %d minutes", (text, minutes) => expect(readSpan(text)).toBe(minutes));

  it.each([
    "",
    "soon",
    "20 parsecs",
    "h",
    "-5",
    "1:75",
    "20 min or so",
    "1 h x",
    "constructor 5 constructor",
    "5 constructor",
  ])("%j is no length", (text) => expect(readSpan(text)).toBeNull());

  it("reads back whatever it writes", () => {
    expect([20, 60, 90, 1440, 2880, 10_080].map(spanWords)).toEqual([
      "20 min",
      "1 h",
      "1 h 30 min",
      "24 h",
      "2 days",
      "7 days",
    ]);
    fc.assert(
      fc.property(
        fc.integer({ min: 0, max: 60_000 }),
        (minutes) => void expect(readSpan(spanWords(minutes))).toBe(minutes),
      ),
      { numRuns: 500 },
    );
  });
});
