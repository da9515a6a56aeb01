import DRange from "drange";
import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { differenceOf, intersectionOf, lengthOf, unionOf, type Interval, type IntervalSet } from ".";

// reference: the drange package, whose ranges are whole numbers with both ends inside
const reference = (intervals: readonly Interval[]) =>
  intervals.reduce((range, one) => (one.start < one.end ? range.add(one.start, one.end - 1) : range), new DRange());
const asSet = (range: DRange): IntervalSet => range.subranges().map((one) => ({ start: one.low, end: one.high + 1 }));
const intervals = fc.array(
  fc
    .tuple(fc.integer({ min: 0, max: 400 }), fc.integer({ min: 0, max: 60 }))
    .map(([start, length]) => ({ start, end: start + length })),
  { maxLength: 30 },
);

describe("interval sets", () => {
  it("agree with a general range library on union, intersection and difference", () => {
    fc.assert(
      fc.property(intervals, intervals, (a, b) => {
        const [left, right] = [unionOf(a), unionOf(b)];
        expect(left).toEqual(asSet(reference(a)));
        expect(lengthOf(left)).toBe(reference(a).length);
        expect(intersectionOf(left, right)).toEqual(asSet(reference(a).intersect(reference(b))));
        expect(differenceOf(left, right)).toEqual(asSet(reference(a).subtract(reference(b))));
      }),
      { numRuns: 500 },
    );
  });

  it("closes gaps up to the given length and no longer ones", () => {
    const parts = [
      { start: 0, end: 10 },
      { start: 40, end: 50 },
      { start: 81, end: 90 },
    ];
    expect(unionOf(parts, 30)).toEqual([
      { start: 0, end: 50 },
      { start: 81, end: 90 },
    ]);
  });

  it("refuses a reversed interval", () => {
    expect(() => unionOf([{ start: 5, end: 4 }])).toThrow(RangeError);
  });
});
