import { describe, expect, it } from "vitest";
import { againAfterMs, waitBeforeMs } from "./again-after";

describe("a form that goes on by itself", () => {
  it("waits longer each time, up to a quarter of a minute, and never all at the same instant", () => {
    expect([0, 1, 2].map((tries) => waitBeforeMs(tries, 1))).toEqual([1500, 3000, 6000]);
    expect([0, 1, 2].map((tries) => waitBeforeMs(tries, 0))).toEqual([750, 1500, 3000]);
    expect([waitBeforeMs(30, 1), waitBeforeMs(30, 0)]).toEqual([15_000, 7500]);
  });
  it("keeps the turn that the server gave", () => {
    expect(againAfterMs({ againInMs: 12_345 }, 5, 1)).toBe(12_345);
    expect(againAfterMs({}, 0, 1)).toBe(1500);
  });
});
