import { describe, expect, it } from "vitest";
import { hourMs, minuteMs } from "../time";
import { foyerOpensAt, mayComeBackstage, stepDue } from ".";

const startAt = Date.parse("2026-11-26T18:00:00Z");
const times = { startAt, endAt: startAt + hourMs, callAt: startAt - 20 * minuteMs };
const panelist = { role: "panelist" as const, duties: [] };

describe("rule 5: life of a date", () => {
  it("opens backstage at the call time for stage people, at any time for doors and curtain, early once it is open", () => {
    const early = times.callAt - 1;
    expect(mayComeBackstage(panelist, early, times, "scheduled", true)).toBe(false);
    expect(mayComeBackstage(panelist, times.callAt, times, "scheduled", true)).toBe(true);
    expect(mayComeBackstage(panelist, early, times, "backstage", true)).toBe(true);
    expect(mayComeBackstage(panelist, early, times, "backstage", false)).toBe(false);
    expect(
      mayComeBackstage({ role: "crew", duties: ["doors-and-curtain"] }, early - hourMs, times, "scheduled", false),
    ).toBe(true);
    expect(mayComeBackstage(panelist, startAt, times, "ended", true)).toBe(false);
  });

  it("opens the foyer 30 min ahead, or at an earlier call", () => {
    expect(foyerOpensAt(times)).toBe(startAt - 30 * minuteMs);
    expect(foyerOpensAt({ ...times, callAt: startAt - 45 * minuteMs })).toBe(startAt - 45 * minuteMs);
  });

  it("steps by itself: call, abandoned, not held", () => {
    const base = { times, isStagePresent: false, lastStageLeftAt: null };
    expect(stepDue({ ...base, phase: "scheduled", now: times.callAt - 1 })).toBeNull();
    expect(stepDue({ ...base, phase: "scheduled", now: times.callAt })).toEqual({ step: "open-backstage" });
    const left = startAt + 40 * minuteMs;
    expect(stepDue({ ...base, phase: "open", lastStageLeftAt: left, now: left + 30 * minuteMs - 1 })).toBeNull();
    expect(stepDue({ ...base, phase: "open", lastStageLeftAt: left, now: left + 30 * minuteMs })).toEqual({
      step: "end",
      curtainFellAt: left,
    });
    expect(stepDue({ ...base, phase: "open", isStagePresent: true, now: left + 5 * hourMs })).toBeNull();
    expect(stepDue({ ...base, phase: "backstage", now: times.endAt + 6 * hourMs })).toEqual({ step: "not-held" });
  });
});
