import { describe, expect, it } from "vitest";
import { hourMs, weeklyRule } from "../time";
import { laySlots, type SlotPlan } from ".";

const plan: SlotPlan = {
  startLocal: "2027-03-22T14:00",
  untilClock: "15:30",
  zone: "Europe/Lisbon",
  lengthMinutes: 20,
  pauseMinutes: 5,
  capacity: 1,
  rule: null,
};
const starts = (part: Partial<SlotPlan>) => {
  const laid = laySlots({ ...plan, ...part }, "2028-01-01T00:00");
  return laid.ok ? laid.value.map((slot) => slot.startLocal.slice(5)) : laid.failure.code;
};

describe("slots between two clocks", () => {
  it("are whole ones with their pauses; a rest too short is given to nobody", () => {
    expect(starts({})).toEqual(["03-22T14:00", "03-22T14:25", "03-22T14:50"]);
    expect(starts({ lengthMinutes: 90, pauseMinutes: 0 })).toEqual(["03-22T14:00"]);
    expect(starts({ untilClock: "14:10" })).toEqual([]);
  });
  it("repeat by a rule and keep their hour over a clock change", () => {
    expect(starts({ rule: weeklyRule({ count: 2 }), untilClock: "14:20" })).toEqual(["03-22T14:00", "03-29T14:00"]);
  });
  it("are never shorter on the day of the change itself", () => {
    // Lisbon 2027-03-28: 01:00 becomes 02:00
    const laid = laySlots(
      { ...plan, startLocal: "2027-03-28T00:30", untilClock: "03:00", lengthMinutes: 30, pauseMinutes: 0 },
      "2028-01-01T00:00",
    );
    if (!laid.ok) throw new Error("laid");
    expect(laid.value.map((slot) => slot.startLocal.slice(11))).toEqual(["00:30", "02:00", "02:30"]);
    for (const slot of laid.value) expect(slot.endAt - slot.startAt).toBe(hourMs / 2);
  });
});
