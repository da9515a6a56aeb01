import { describe, expect, it } from "vitest";
import { seededChance } from "../shared";
import { drawnSteps } from "./drawn-steps";

/** A curve of so many steps of one up or down, a few milliseconds apart. */
function walk(length: number) {
  const chance = seededChance(29);
  let [at, count] = [0, 500];
  return Array.from({ length }, () => {
    at += 1 + Math.floor(chance() * 70);
    count = Math.max(0, count + (chance() < 0.5 ? -1 : 1));
    return { at, count };
  });
}

describe("a house curve as it is drawn", () => {
  it("is the curve itself where it has few steps", () => {
    const steps = walk(2000);
    expect(drawnSteps(steps)).toBe(steps);
    expect(drawnSteps([])).toEqual([]);
  });

  it("keeps its peak, its order and its end of a hundred thousand steps, in at most two a column", () => {
    const steps = walk(100_000);
    const drawn = drawnSteps(steps);
    expect(drawn.length).toBeLessThanOrEqual(2400);
    expect(Math.max(...drawn.map((one) => one.count))).toBe(Math.max(...steps.map((one) => one.count)));
    expect(drawn.at(-1)).toEqual(steps.at(-1));
    expect(drawn.every((one, i) => i === 0 || one.at > drawn[i - 1]!.at)).toBe(true);
    // every point that is drawn is one of the curve's
    const known = new Set(steps.map((one) => `${one.at} ${one.count}`));
    expect(drawn.every((one) => known.has(`${one.at} ${one.count}`))).toBe(true);
  });
});
