import { describe, expect, it } from "vitest";
import { sidesNow } from "./sides-now";

const sides = (opensAt: number | null, closesAt: number | null = null) => ({
  opensAt,
  closesAt,
  isChoice: false,
  message: null,
});
const own = (room: number | null, isOut = false) => ({ room, isOut, asksForHelp: false });

describe("where somebody stands with the side rooms", () => {
  it.each([
    ["without any", undefined, own(1), 0, { is: "nothing" }],
    ["put into one ahead", sides(null), own(2), 0, { is: "prepared", room: 2 }],
    ["in none ahead", sides(null), own(null), 0, { is: "nothing" }],
    ["counted down", sides(10_000), own(2), 4000, { is: "opening", inMs: 6000 }],
    ["inside", sides(10_000), own(2), 10_000, { is: "inside", room: 2 }],
    ["back by themselves", sides(10_000), own(2, true), 20_000, { is: "outside" }],
    ["late", sides(10_000), own(null), 20_000, { is: "outside" }],
    ["called back, not over", sides(0, 60_000), own(2), 59_999, { is: "inside", room: 2 }],
    ["over", sides(0, 60_000), own(2), 60_000, { is: "nothing" }],
  ] as const)("%s", (_, given, mine, now, expected) => expect(sidesNow(given, mine, now)).toEqual(expected));
});
