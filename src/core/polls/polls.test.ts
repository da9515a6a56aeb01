import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { share, tallyOneChoice, turnoutOf, wilsonInterval } from ".";

const percents = (...votes: number[]) => {
  const ids = votes.map((_, i) => String(i));
  return tallyOneChoice(ids, Object.fromEntries(votes.map((n, i) => [String(i), n])));
};

describe("rule 11: polls", () => {
  it("rounds each share by itself, half up, and says so", () => {
    expect(percents(1, 1, 1)).toMatchObject({
      isRounded: true,
      voters: 3,
      options: [{ percent: 33 }, { percent: 33 }, { percent: 33 }],
    });
    expect(percents(1, 2).options.map((one) => one.percent)).toEqual([33, 67]);
    expect(percents(1, 199).options.map((one) => one.percent)).toEqual([1, 100]);
    expect(percents(2, 2)).toMatchObject({ isRounded: false });
    expect([share(1, 3, 1), share(0, 0)]).toEqual([33.3, 0]);
  });

  it("shows equal figures for equal counts, whatever the counts", () => {
    fc.assert(
      fc.property(fc.array(fc.nat(5000), { minLength: 1, maxLength: 12 }), (votes) => {
        const { options, voters } = percents(...votes);
        expect(voters).toBe(votes.reduce((a, b) => a + b, 0));
        for (const a of options) for (const b of options) if (a.votes === b.votes) expect(a.percent).toBe(b.percent);
      }),
    );
  });

  it("takes as base of the turnout those present while the poll was open", () => {
    const presence = new Map([
      ["a", [{ start: 0, end: 10 }]],
      ["b", [{ start: 20, end: 30 }]],
      ["c", [{ start: 5, end: 40 }]],
    ]);
    expect(turnoutOf(presence, new Set(["c"]), [{ start: 12, end: 25 }])).toEqual({
      voters: 1,
      eligible: 2,
      abstained: 1,
      percent: 50,
    });
  });

  it.each([
    [8, 10, 0.49, 0.943], // rules.md
    // R. G. Newcombe, Statistics in Medicine 17 (1998), table I, method 3 (from memory)
    [81, 263, 0.2553, 0.3662],
    [15, 148, 0.0624, 0.1605],
    [0, 20, 0, 0.1611],
    [1, 29, 0.0061, 0.1718],
  ])("gives Wilson's interval for %i of %i", (hits, n, low, high) => {
    const interval = wilsonInterval(hits, n);
    expect(interval.low).toBeCloseTo(low, 3);
    expect(interval.high).toBeCloseTo(high, 3);
  });

  it("refuses a share that is none", () => {
    expect(() => wilsonInterval(3, 2)).toThrow(RangeError);
    expect(() => wilsonInterval(0, 0)).toThrow(RangeError);
  });
});
