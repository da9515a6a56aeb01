import { describe, expect, it } from "vitest";
import { readableText } from "../shared";
import { isWeakCode, madeCode, shortestAccessCode, strengthOf } from ".";

describe("access codes", () => {
  it.each(["", "1", "1111", "low-tid", "aaaaaaaaaa", "abababab", "AaAaAaAa", "  x  "])("“%s” is weak", (code) => {
    expect(isWeakCode(code)).toBe(true);
    expect(strengthOf(code)).toBe("weak");
  });
  it("eight mixed characters are fair, twelve strong", () => {
    expect(["low-tide", "saltmarsh7", "spoonbill-at-7"].map(strengthOf)).toEqual(["fair", "fair", "strong"]);
  });
  it("a made one is strong, can be read out, and uses all of its alphabet evenly", () => {
    // a generator with a known period: every value of 0…30 comes equally often
    let n = 0;
    const code = madeCode((length) => readableText(length, () => ((n++ * 7) % 31) / 31));
    expect(code).toMatch(/^[a-hj-km-np-z2-9]{3}(-[a-hj-km-np-z2-9]{3}){3}$/);
    expect(strengthOf(code)).toBe("strong");
    expect(code.length).toBeGreaterThan(shortestAccessCode);
    const seen = new Set(Array.from({ length: 31 }, (_, i) => readableText(1, () => (i + 0.5) / 31)));
    expect(seen.size).toBe(31);
    expect([...seen].some((one) => /[01ilo]/.test(one!))).toBe(false);
  });
});
