import { describe, expect, it } from "vitest";
import { instantOf, withMark, type Mark } from "./marks";

describe("which instant is on the screen", () => {
  const marks = [
    { fromSeconds: 0, at: 100_000 },
    { fromSeconds: 1, at: 101_000 },
    // the maker changed: time went on while nothing came
    { fromSeconds: 2, at: 106_000 },
  ];
  it("is that of the piece that plays, and how far it has played", () => {
    expect([0, 0.5, 1.25, 2, 2.9].map((at) => instantOf(marks, at))).toEqual([
      100_000, 100_500, 101_250, 106_000, 106_900,
    ]);
  });
  it("is not known before the first piece, nor long after the last", () => {
    expect(instantOf([], 1)).toBeNull();
    expect(instantOf([{ fromSeconds: 5, at: 1 }], 4.9)).toBeNull();
    expect(instantOf(marks, 30)).toBeNull();
  });
  it("needs no more than the last pieces", () => {
    let kept: readonly Mark[] = [];
    for (let i = 0; i < 100; i += 1) kept = withMark(kept, { fromSeconds: i, at: i * 1000 });
    expect([kept.length, kept.at(-1)!.at]).toEqual([40, 99_000]);
  });
});
