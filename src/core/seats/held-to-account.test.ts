import { describe, expect, it } from "vitest";
import { seededChance } from "../shared";
import { betaBinomialTail, houseRange, learntShowUp, showUpFrom, toldDates } from ".";

describe("the middle of who may come", () => {
  it("leaves at most a tenth of the chances on each side, by the tail of the same distribution", () => {
    const showUp = showUpFrom({ registered: 200, attended: 80 });
    const { low, high } = houseRange(600, showUp);
    // below the lower end: 1 − P(X > low − 1); above the upper end: P(X > high)
    expect(1 - betaBinomialTail(600, showUp.a, showUp.b, low - 1)).toBeLessThanOrEqual(0.1);
    expect(1 - betaBinomialTail(600, showUp.a, showUp.b, low)).toBeGreaterThan(0.1);
    expect(betaBinomialTail(600, showUp.a, showUp.b, high)).toBeLessThanOrEqual(0.1);
    expect(betaBinomialTail(600, showUp.a, showUp.b, high - 1)).toBeGreaterThan(0.1);
  });
  it("is the one person that may come, or nobody at all", () => {
    expect(houseRange(0, { a: 8, b: 12 })).toEqual({ low: 0, high: 0 });
    expect(houseRange(1, { a: 8, b: 12 })).toEqual({ low: 0, high: 1 });
  });
});

describe("show-up learned from past dates", () => {
  const chance = seededChance(7);
  /** of a Beta(a, b) with whole parameters: the a-th smallest of a + b − 1 even draws (order statistics) */
  const beta = (a: number, b: number) =>
    Array.from({ length: a + b - 1 }, () => chance()).sort((x, y) => x - y)[a - 1]!;
  const date = (registered: number) => {
    const p = beta(12, 18);
    const attended = Array.from({ length: registered }, () => chance()).filter((one) => one < p).length;
    return { registered, attended };
  };
  const many = Array.from({ length: 400 }, (_, i) => date(60 + (i % 7) * 40));
  it("needs ten dates", () => {
    expect(learntShowUp(many.slice(0, 9))).toBeNull();
    expect(learntShowUp(many.slice(0, 10))).not.toBeNull();
  });
  it("finds the mean and the spread that dates were drawn from: Beta(12, 18)", () => {
    const learnt = learntShowUp(many)!;
    expect(learnt.a / (learnt.a + learnt.b)).toBeCloseTo(0.4, 1);
    expect(learnt.a + learnt.b).toBeGreaterThan(22);
    expect(learnt.a + learnt.b).toBeLessThan(40);
  });
  it("holds the 80 % interval about four times in five, where adding the dates up alone is too sure", () => {
    const told = toldDates(many).slice(50);
    const share = told.filter((one) => one.isWithin).length / told.length;
    expect(share).toBeGreaterThan(0.75);
    expect(share).toBeLessThan(0.87);
    expect(told.every((one) => one.isLearnt)).toBe(true);
  });
  it("tells the first date from common practice alone: 40 % of 600", () => {
    const [first] = toldDates([{ registered: 600, attended: 300 }]);
    expect(first).toMatchObject({ expected: 240, isWithin: true, isLearnt: false });
  });
});
