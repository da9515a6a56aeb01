import { describe, expect, it } from "vitest";
import { inventHouse, tempers, type CrowdPlan, type Invented } from ".";

const minuteMs = 60_000;
const startAt = Date.parse("2026-11-26T18:00:00Z");
const plan = (part: Partial<CrowdPlan> = {}): CrowdPlan => ({
  seed: 7,
  size: 4000,
  temper: "lively",
  startAt,
  endAt: startAt + 60 * minuteMs,
  ...part,
});
const share = (house: readonly Invented[], what: (one: Invented) => boolean) =>
  house.filter(what).length / house.length;
const mean = (values: readonly number[]) => values.reduce((a, b) => a + b, 0) / values.length;

describe("rule 27: an invented house", () => {
  const house = inventHouse(plan());

  it("is the same for the same seed and clock, and another for another seed", () => {
    expect(inventHouse(plan())).toEqual(house);
    expect(inventHouse(plan({ seed: 8 }))).not.toEqual(house);
    const later = inventHouse(plan({ startAt: startAt + 1000, endAt: startAt + 1000 + 60 * minuteMs }));
    expect(later[0]!.comesAt - house[0]!.comesAt).toBeCloseTo(1000, 3);
  });

  it("comes as the rule says: 35 % in the ten minutes before the start, the rest after it, 4 min in the mean", () => {
    expect(share(house, (one) => one.comesAt < startAt)).toBeCloseTo(0.35, 1);
    expect(house.every((one) => one.comesAt >= startAt - 10 * minuteMs)).toBe(true);
    const late = house.filter((one) => one.comesAt >= startAt).map((one) => (one.comesAt - startAt) / minuteMs);
    expect(mean(late)).toBeGreaterThan(3.7);
    expect(mean(late)).toBeLessThan(4.3);
  });

  it("leaves as the rule says: 15 % in the first third, the others with 0.4 % a minute", () => {
    const third = startAt + 20 * minuteMs;
    expect(share(house, (one) => one.leavesAt <= third)).toBeCloseTo(0.15, 1);
    // of those who are left 40 min go by at 0.4 % a minute: e^(−0.16) stay to the end
    const stayed = house.filter((one) => one.leavesAt > third);
    expect(share(stayed, (one) => one.leavesAt >= startAt + 60 * minuteMs)).toBeCloseTo(Math.exp(-0.16), 1);
  });

  it("loses its lines as the rule says: 1 % a minute, for 5 to 90 s, and does nothing meanwhile", () => {
    const spans = house.flatMap((one) => one.lost);
    const minutes = mean(house.map((one) => (one.leavesAt - one.comesAt) / minuteMs));
    expect(spans.length / house.length / minutes).toBeCloseTo(0.01, 2);
    const seconds = spans.map(({ from, to }) => (to - from) / 1000);
    expect([Math.min(...seconds) >= 5, Math.max(...seconds) <= 90]).toEqual([true, true]);
    const wrong = house.filter(({ acts, comesAt, leavesAt, lost }) =>
      acts.some(({ at }) => at < comesAt || at >= leavesAt || lost.some((span) => at >= span.from && at < span.to)),
    );
    expect(wrong).toEqual([]);
  });

  it("does more the livelier it is", () => {
    const acts = tempers.map((temper) => inventHouse(plan({ temper, size: 300 })).flatMap((one) => one.acts).length);
    expect(acts).toEqual([...acts].sort((a, b) => a - b));
    expect(acts[2]! / acts[0]!).toBeGreaterThan(10);
  });
});
