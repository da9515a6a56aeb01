import { describe, expect, it } from "vitest";
import { WeakLine } from "./weak-line";

/** The seconds at which a line is found too weak, looked at ten times a second. */
function weakAt(seconds: number, waitedMs: (second: number) => number | null): number | null {
  const line = new WeakLine();
  for (let i = 0; i <= seconds * 10; i += 1) if (line.note(i * 100, waitedMs(i / 10))) return i / 10;
  return null;
}

describe("a line that carries the programme", () => {
  it("is never too weak while pieces leave within two seconds", () => {
    expect(weakAt(120, () => null)).toBeNull();
    expect(weakAt(120, (second) => (second % 3) * 800)).toBeNull();
  });
  it("may be away for a moment now and then", () =>
    expect(weakAt(300, (second) => (second % 60 < 1.5 ? 3000 : 100))).toBeNull());
  it("is too weak once pieces were late for two of the last twenty seconds", () => {
    expect(weakAt(60, (second) => (second < 10 ? 100 : 5000))).toBeCloseTo(11.9, 1);
    // a second late, four not, over and over
    expect(weakAt(60, (second) => (second % 5 < 1 ? 4000 : 100))).toBeLessThanOrEqual(10);
  });
});
