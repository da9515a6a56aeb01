import { describe, expect, it } from "vitest";
import { slotPlanInput } from "@/contracts";
import { repeatOf, ruleFor } from "./repeats";

const plan = {
  title: "Open hour",
  startLocal: "2026-12-03T09:00",
  untilClock: "17:00",
  zone: "Europe/Lisbon",
  lengthMinutes: 20,
  pauseMinutes: 5,
  capacity: 1,
  forEventId: null,
};

describe("how often bookable hours come again", () => {
  it("a weekly one falls on the first moment's own day: 3 December 2026 is a Thursday", () => {
    expect(ruleFor("WEEKLY", 6, plan.startLocal)).toMatchObject({
      freq: "WEEKLY",
      count: 6,
      byDay: [{ weekday: "TH" }],
    });
    expect(ruleFor("DAILY", 3, plan.startLocal)).toMatchObject({ freq: "DAILY", count: 3, byDay: [] });
    expect(ruleFor("once", 3, plan.startLocal)).toBeNull();
  });
  it("every choice of the form is one that the contract takes, and reads back as chosen", () => {
    for (const repeat of ["once", "DAILY", "WEEKLY"] as const) {
      const rule = ruleFor(repeat, 4, plan.startLocal);
      expect(repeatOf(rule)).toBe(repeat);
      expect(slotPlanInput.safeParse({ ...plan, rule }).success).toBe(true);
    }
  });
});
