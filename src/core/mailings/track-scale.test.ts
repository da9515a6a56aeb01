import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { dayMs, hourMs } from "../time";
import { hourFrom, hourTo, trackInstant, trackPercent, type TrackSpan } from ".";

const startAt = Date.parse("2027-01-01T18:00:00Z");
const span: TrackSpan = {
  startAt,
  endAt: startAt + hourMs,
  earliestAt: startAt - 30 * dayMs,
  latestAt: startAt + 2 * dayMs,
};

describe("the track's scale", () => {
  it("has the hour between its two marks and grows with time", () => {
    expect([trackPercent(startAt, span), trackPercent(span.endAt, span)]).toEqual([hourFrom, hourTo]);
    const points = [-30 * dayMs, -dayMs, -hourMs, 0, hourMs / 2, hourMs, 2 * hourMs, 2 * dayMs].map((ms) =>
      trackPercent(startAt + ms, span),
    );
    expect([...points].sort((a, b) => a - b)).toEqual(points);
  });
  it("finds the instant again from its place, to the second", () => {
    fc.assert(
      fc.property(fc.integer({ min: -30 * dayMs, max: 3 * dayMs }), (ms) => {
        expect(Math.abs(trackInstant(trackPercent(startAt + ms, span), span) - (startAt + ms))).toBeLessThan(1000);
      }),
      { numRuns: 500 },
    );
  });
});
