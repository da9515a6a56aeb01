import { describe, expect, it } from "vitest";
import { Turns } from "./turns";

describe("turns of a crowd", () => {
  it("come one after another at twice the pace of the work, none at once", () => {
    let now = 0;
    const turns = new Turns(10, () => now);
    expect([turns.nextWaitMs(), turns.nextWaitMs(), turns.nextWaitMs()]).toEqual([755, 760, 765]);
    now = 500;
    // those of before keep their turns: a newcomer's is after theirs
    expect(turns.nextWaitMs()).toBe(755);
    now = 5000;
    expect(turns.nextWaitMs()).toBe(755);
  });
  it("follow the pace as it changes", () => {
    const turns = new Turns(10, () => 0);
    for (let batch = 0; batch < 40; batch += 1) turns.done(100, 200);
    const first = turns.nextWaitMs();
    for (let n = 0; n < 999; n += 1) turns.nextWaitMs();
    expect(turns.nextWaitMs() - first).toBeCloseTo(1000, -2);
    turns.done(0, 1000);
    turns.done(1, 102);
    // half of 2 + 0.3 × (102 − 2)
    const before = turns.nextWaitMs();
    expect(turns.nextWaitMs() - before).toBeCloseTo(16, 0);
  });
  it("lie within a minute, however many wait", () => {
    const turns = new Turns(100, () => 0);
    const waits = Array.from({ length: 3000 }, () => turns.nextWaitMs());
    expect(Math.max(...waits)).toBe(60_000);
  });
});
