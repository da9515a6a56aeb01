import { describe, expect, it } from "vitest";
import { backgroundOf } from "./kinds";
import { Pace } from "./pace";

const judged = (...times: readonly number[]): boolean => {
  const pace = new Pace();
  return times.map((ms) => pace.isTooSlow(ms)).some(Boolean);
};
const of = (count: number, ms: number) => Array.from({ length: count }, () => ms);

describe("whether a computer is fast enough for a background", () => {
  it("is not said by the first pictures, however long they take: the program is begun with them", () => {
    expect(judged(3500, 900, 400, ...of(20, 30))).toBe(false);
    expect(judged(...of(10, 500))).toBe(false);
  });
  it("is said once eight in a row were mostly too slow", () => {
    expect(judged(...of(11, 270))).toBe(true);
    expect(judged(...of(3, 270), ...of(8, 99))).toBe(false);
  });
  it("a single slow one among fast ones is nothing; a computer that becomes slow is noticed", () => {
    expect(judged(...of(10, 30), 900, ...of(10, 30))).toBe(false);
    expect(judged(...of(40, 30), ...of(8, 250))).toBe(true);
  });
});

it("a kept choice that is none leaves one's own room", () => {
  expect([null, "", "beach", "blur"].map(backgroundOf)).toEqual(["room", "room", "room", "blur"]);
});
