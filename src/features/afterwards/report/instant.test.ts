import { describe, expect, it } from "vitest";
import { houseAt, instantAt, onAt, stretchBetween } from "./instant";

const steps = [
  { at: 100, count: 2 },
  { at: 200, count: 5 },
  { at: 300, count: 0 },
];
const blocks = [
  { id: "a", title: "Welcome", startAt: 100, endAt: 200 },
  { id: "b", title: "Questions", startAt: 200, endAt: 300 },
];

describe("pointing at the report's rail", () => {
  it("says how many were there: from each step to the next", () => {
    expect([99, 100, 199, 200, 299, 300, 999].map((at) => houseAt(steps, at))).toEqual([0, 2, 2, 5, 5, 0, 0]);
    expect(houseAt([], 5)).toBe(0);
  });
  it("says what was on", () => {
    expect([99, 100, 200, 300].map((at) => onAt(blocks, at))).toEqual(["", "Welcome", "Questions", ""]);
  });
  it("never leaves the rail", () => {
    expect([-5, 0, 50, 100, 140].map((x) => instantAt(x, 100, 1000, 2000))).toEqual([1000, 1000, 1500, 2000, 2000]);
  });
  it("takes a stretch whichever way it was dragged, and no click for one", () => {
    expect(stretchBetween(20, 5, 10)).toEqual({ from: 5, to: 20 });
    expect(stretchBetween(5, 8, 10)).toBeNull();
  });
});
