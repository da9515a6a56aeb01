import { describe, expect, it } from "vitest";
import { byLead, leadGroupOf, monthIn, peakUse, yearIn } from ".";

const hour = 3_600_000;
const start = Date.UTC(2026, 10, 15, 19);

describe("the year", () => {
  it("puts registrations into groups by whole days before the start", () => {
    const daysBefore = (days: number) => leadGroupOf(start - days * 24 * hour, start);
    expect([-1, 0, 0.9, 1, 2.9, 3, 6.9, 7, 13.9, 14, 400].map(daysBefore)).toEqual([0, 0, 0, 1, 1, 2, 2, 3, 3, 4, 4]);
    const told = byLead(
      [
        { registeredAt: start - hour, came: true },
        { registeredAt: start - 2 * hour, came: false },
        { registeredAt: start - 20 * 24 * hour, came: true },
      ],
      start,
    );
    expect(told).toEqual({ registered: [2, 0, 0, 0, 1], came: [1, 0, 0, 0, 1] });
  });
  it("goes by the organisation's own calendar", () => {
    const turn = Date.UTC(2026, 11, 31, 23, 30);
    expect([yearIn(turn, "Europe/Lisbon"), yearIn(turn, "Europe/Madrid")]).toEqual([2026, 2027]);
    expect([monthIn(turn, "Europe/Lisbon"), monthIn(turn, "Europe/Madrid")]).toEqual([11, 0]);
  });
  it("finds how many licences were held at once, one ending as the next begins", () => {
    const hold = (from: number, to: number) => ({ start: from * hour, end: to * hour });
    expect(peakUse([hold(0, 2), hold(2, 4), hold(1, 3), hold(3, 5)])).toEqual({ count: 2, at: hour });
    expect(peakUse([])).toBeNull();
  });
});
