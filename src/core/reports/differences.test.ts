import jstat from "jstat";
import { mean, sampleVariance } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { meanDifference, shareDifference } from ".";

describe("rule 17: differences between dates", () => {
  it("has Newcombe's worked example: 56 of 70 against 48 of 80, 0.0524 to 0.3339 (table II, method 10; from memory)", () => {
    const found = shareDifference({ hits: 56, n: 70 }, { hits: 48, n: 80 })!;
    expect(found.value).toBeCloseTo(0.2, 10);
    expect(found.interval!.low).toBeCloseTo(0.0524, 4);
    expect(found.interval!.high).toBeCloseTo(0.3339, 4);
  });
  it("stays within what a difference of shares can be, and has none without a base", () => {
    const { interval } = shareDifference({ hits: 3, n: 3 }, { hits: 0, n: 4 })!;
    expect(interval!.high).toBeLessThanOrEqual(1);
    expect(interval!.low).toBeGreaterThan(0);
    expect(shareDifference({ hits: 0, n: 0 }, { hits: 1, n: 2 })).toBeNull();
  });
  it("agrees for means with Welch's formula over jstat's t", () => {
    const a = [12, 45, 60, 58, 33, 60, 51];
    const b = [20, 22, 35, 18, 41];
    const found = meanDifference(a, b)!;
    const [va, vb] = [sampleVariance(a) / a.length, sampleVariance(b) / b.length];
    const df = (va + vb) ** 2 / (va ** 2 / (a.length - 1) + vb ** 2 / (b.length - 1));
    const half = jstat.studentt.inv(0.975, df) * Math.sqrt(va + vb);
    expect(found.value).toBeCloseTo(mean(a) - mean(b), 10);
    expect(found.interval!.high).toBeCloseTo(found.value + half, 6);
  });
  it("has no interval of a single value, and nothing of none", () => {
    expect(meanDifference([3], [4, 5])).toEqual({ value: -1.5, interval: null });
    expect(meanDifference([], [4])).toBeNull();
    expect(meanDifference([5, 5], [4, 4])!.interval).toEqual({ low: 1, high: 1 });
  });
});
