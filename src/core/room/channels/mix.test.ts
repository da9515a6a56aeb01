import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { amplitudeOf, floorDb, floorMovesMs, mixAt, usualBelowDb, type OpenSpan } from "../index";

const open = (from: number, until: number | null = null): OpenSpan => ({ from, until });

describe("amplitudes", () => {
  it("are a tenth at −20 dB, a half at −6.02 (ISO 80000-8, field quantities; from memory)", () => {
    expect(amplitudeOf(0)).toBe(1);
    expect(amplitudeOf(-20)).toBeCloseTo(0.1, 12);
    expect(amplitudeOf(-6.0206)).toBeCloseTo(0.5, 5);
    expect(amplitudeOf(-usualBelowDb)).toBeCloseTo(0.19953, 5);
  });
});

describe("the mix of a listener (rule 16)", () => {
  it("is the interpreter at 0 dB over the floor at −14", () => {
    expect(mixAt([open(0)], 60_000, usualBelowDb)).toEqual({ floorDb: -14, channelDb: 0 });
  });
  it("is the floor alone for whoever chose no channel, and while no microphone is open", () => {
    expect(mixAt(null, 10, usualBelowDb)).toEqual({ floorDb: 0, channelDb: null });
    expect(mixAt([], 10, usualBelowDb)).toEqual({ floorDb: 0, channelDb: null });
  });
  it("brings the floor back over 500 ms once the microphone is off", () => {
    const spans = [open(0, 10_000)];
    const at = (ms: number) => mixAt(spans, 10_000 + ms, usualBelowDb);
    expect(at(-1)).toEqual({ floorDb: -14, channelDb: 0 });
    expect(at(0)).toEqual({ floorDb: -14, channelDb: null });
    expect(at(floorMovesMs / 2).floorDb).toBeCloseTo(-7, 9);
    expect(at(floorMovesMs)).toEqual({ floorDb: 0, channelDb: null });
  });
  it("goes down from where it is when the microphone opens again on its way back", () => {
    const spans = [open(0, 1000), open(1250)];
    expect(floorDb(spans, 1250, 14)).toBeCloseTo(-7, 9);
    expect(floorDb(spans, 1375, 14)).toBeCloseTo(-10.5, 9);
    expect(floorDb(spans, 1500, 14)).toBeCloseTo(-14, 9);
  });
  it("leaves the floor as it is where it is to be lowered by nothing", () => {
    expect(floorDb([open(0)], 1000, 0)).toBeCloseTo(0, 12);
  });
  it("agrees with the same thing counted millisecond by millisecond (500 generated hours)", () => {
    const spans = fc
      .array(fc.tuple(fc.integer({ min: 1, max: 900 }), fc.integer({ min: 1, max: 900 })), { maxLength: 6 })
      .map((pairs) => {
        let at = 0;
        return pairs.map(([gap, length]) => {
          const from = at + gap;
          at = from + length;
          return open(from, at);
        });
      });
    fc.assert(
      fc.property(spans, fc.integer({ min: 0, max: 40 }), fc.integer({ min: 0, max: 9000 }), (given, below, at) => {
        let db = 0;
        for (let ms = 0; ms < at; ms++) {
          const isOpen = given.some(({ from, until }) => from <= ms && ms < until!);
          const step = below / floorMovesMs;
          db = isOpen ? Math.max(-below, db - step) : Math.min(0, db + step);
        }
        expect(floorDb(given, at, below)).toBeCloseTo(db, 6);
      }),
      { numRuns: 500 },
    );
  });
});
