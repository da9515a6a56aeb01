import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { caughtUp } from ".";

const rest = (...minutes: number[]) => minutes.map((lengthMinutes, i) => ({ id: String(i), lengthMinutes }));
const lengths = (list: readonly { lengthMinutes: number }[]) => list.map((one) => one.lengthMinutes);

describe("catching up", () => {
  it("shortens what is to come in proportion, in whole minutes", () => {
    expect(lengths(caughtUp(rest(10, 20, 30), 6))).toEqual([9, 18, 27]);
    expect(lengths(caughtUp(rest(10, 15, 10), 6))).toEqual([8, 13, 8]);
    expect(lengths(caughtUp(rest(10, 20), 0))).toEqual([10, 20]);
  });
  it("leaves a minute to each, and saves what there is where more is asked for", () => {
    expect(lengths(caughtUp(rest(5, 3), 60))).toEqual([1, 1]);
    expect(caughtUp([], 5)).toEqual([]);
  });
  it("saves exactly what is asked for wherever it can, and makes nothing longer: 1,000 sheets", () => {
    fc.assert(
      fc.property(
        fc.array(fc.integer({ min: 1, max: 120 }), { minLength: 1, maxLength: 12 }),
        fc.nat(200),
        (all, by) => {
          const before = rest(...all);
          const after = caughtUp(before, by);
          const sum = (list: readonly { lengthMinutes: number }[]) => lengths(list).reduce((a, b) => a + b, 0);
          expect(sum(after)).toBe(Math.max(all.length, sum(before) - by));
          after.forEach((one, i) => {
            expect(one.lengthMinutes).toBeGreaterThanOrEqual(1);
            expect(one.lengthMinutes).toBeLessThanOrEqual(before[i]!.lengthMinutes);
          });
        },
      ),
      { numRuns: 1000 },
    );
  });
});
