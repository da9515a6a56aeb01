import { describe, expect, it } from "vitest";
import { dbfsOf, dbfsOfMeter, lowestDbfs, meterStep } from "./level";

describe("a level meter", () => {
  it("rises at once and falls back 20 dB (to a tenth) in 1.5 s, as IEC 60268-10 has a programme meter do", () => {
    let shown = meterStep(0, 0.8);
    expect(shown).toBe(0.8);
    for (let step = 0; step < 15; step += 1) shown = meterStep(shown, 0);
    expect(shown).toBeCloseTo(0.08, 5);
  });
  it("comes to rest, and never leaves the scale", () => {
    let shown = 1;
    for (let step = 0; step < 40; step += 1) shown = meterStep(shown, 0);
    expect(shown).toBe(0);
    expect(meterStep(0, 3)).toBe(1);
  });
});

describe("levels in dBFS", () => {
  it("are 20·log10 of the RMS: half is −6.02, a hundredth −40, silence the lowest there is", () => {
    expect(dbfsOf(1)).toBe(0);
    expect(dbfsOf(0.5)).toBeCloseTo(-6.0206, 3);
    expect(dbfsOf(0.01)).toBeCloseTo(-40, 10);
    expect([dbfsOf(0), dbfsOf(1e-9)]).toEqual([lowestDbfs, lowestDbfs]);
    // a full meter is a quarter of full scale
    expect(dbfsOfMeter(100)).toBeCloseTo(-12.041, 2);
  });
});
