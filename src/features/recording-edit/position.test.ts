import { describe, expect, it } from "vitest";
import { readPosition, writePosition } from "./position";

describe("an instant of a recording, as it is typed", () => {
  it("is read with hours, with minutes, or as seconds alone", () => {
    expect(["1:05:09", "5:09", "05:09", "309", "0:00", "90:00", "12.5", "12,5"].map(readPosition)).toEqual([
      3909, 309, 309, 309, 0, 5400, 12.5, 12.5,
    ]);
  });
  it("that is none is not guessed", () => {
    expect(["", "x", "5:", "1:60", "1:75:00", "-5", "5:9:9:9"].map(readPosition)).toEqual(Array(7).fill(null));
  });
  it("is written so that it is read the same", () => {
    for (const seconds of [0, 59.9, 60, 309, 3599.96, 3909, 36_000.5])
      expect(readPosition(writePosition(seconds))).toBeCloseTo(Math.round(seconds * 10) / 10, 6);
    expect(writePosition(3909)).toBe("1:05:09");
  });
});
