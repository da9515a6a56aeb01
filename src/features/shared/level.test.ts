import { describe, expect, it } from "vitest";
import { meterStep } from "./level";

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
