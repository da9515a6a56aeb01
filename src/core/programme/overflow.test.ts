import { describe, expect, it } from "vitest";
import { phases } from "../people";
import { overflowFor, overflowReaches, type Overflow } from "./overflow";

const seen = (reach: (typeof overflowReaches)[number], holds: boolean): Record<string, Overflow> =>
  Object.fromEntries([...phases, null].map((phase) => [String(phase), overflowFor(reach, holds, phase)]));

describe("watching without a seat", () => {
  it("is there for nobody unless the event says so", () => {
    for (const holds of [true, false])
      expect(new Set(Object.values(seen("nobody", holds)))).toEqual(new Set(["absent"]));
  });
  it("follows the date: before it, while the doors are open, after it", () => {
    expect(seen("anyone", false)).toMatchObject({
      scheduled: "not-yet",
      backstage: "not-yet",
      open: "live",
      ended: "over",
      cancelled: "over",
      null: "over",
    });
    expect(seen("anyone", true)).toEqual(seen("anyone", false));
  });
  it("asks for a ticket where it is for holders", () => {
    expect(new Set(Object.values(seen("holders", false)))).toEqual(new Set(["holders-only"]));
    expect(seen("holders", true)).toEqual(seen("anyone", false));
  });
});
