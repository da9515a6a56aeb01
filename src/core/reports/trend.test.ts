import jstat from "jstat";
import { linearRegression } from "simple-statistics";
import { describe, expect, it } from "vitest";
import { seededChance } from "../shared";
import { trendOf } from "./trend";

describe("the trend of figures that follow one another", () => {
  it("is that of a worked example by hand", () => {
    // values 2, 4, 5, 4, 5 at 0…4: mean 4, Sxy 6, Sxx 10, slope 0.6; residuals −0.8, 0.6, 1, −0.6, −0.2, their
    // squares together 2.4; s² = 0.8, standard error √(0.8/10) = 0.28284; t of 3 degrees 3.18245 (table)
    const trend = trendOf([2, 4, 5, 4, 5])!;
    expect(trend.perStep).toBeCloseTo(0.6, 12);
    expect(trend.low).toBeCloseTo(0.6 - 3.18245 * 0.282843, 4);
    expect(trend.high).toBeCloseTo(0.6 + 3.18245 * 0.282843, 4);
    expect(trend.n).toBe(5);
  });

  it("agrees with statistics libraries (simple-statistics, jstat) on 200 generated series", () => {
    const chance = seededChance(17);
    for (let i = 0; i < 200; i += 1) {
      const values = Array.from({ length: 3 + Math.floor(chance() * 30) }, () => Math.round(chance() * 400));
      const points = values.map((y, x) => [x, y]);
      const { m, b } = linearRegression(points);
      const n = values.length;
      const rest = values.reduce((sum, y, x) => sum + (y - m * x - b) ** 2, 0);
      const spread = values.reduce((sum, _, x) => sum + (x - (n - 1) / 2) ** 2, 0);
      const half = jstat.studentt.inv(0.975, n - 2) * Math.sqrt(rest / (n - 2) / spread);
      const trend = trendOf(values)!;
      expect(trend.perStep).toBeCloseTo(m, 8);
      expect(trend.high - trend.perStep).toBeCloseTo(half, 3);
    }
  });

  it("is certain of figures that lie on a line, and says nothing of fewer than three", () => {
    expect(trendOf([10, 12, 14, 16])).toMatchObject({ perStep: 2, low: 2, high: 2 });
    expect(trendOf([7, 7, 7])).toMatchObject({ perStep: 0, low: 0, high: 0 });
    expect([trendOf([]), trendOf([1]), trendOf([1, 2])]).toEqual([null, null, null]);
  });
});
