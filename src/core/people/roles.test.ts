import { describe, expect, it } from "vitest";
import { duties, mayHandOut, roles, type Actor, type Duty } from ".";

const crew = (...held: Duty[]): Actor => ({ role: "crew", duties: held });
const producer: Actor = { role: "producer", duties: [] };
const subsets = (list: readonly Duty[]): Duty[][] =>
  list.reduce<Duty[][]>((all, one) => [...all, ...all.map((some) => [...some, one])], [[]]);

describe("nobody hands out what they do not hold", () => {
  it("the producer hands out every place", () => {
    for (const role of roles) expect(mayHandOut(producer, { role, duties: [...duties] })).toBe(true);
  });

  it("a crew member never the producer's, and a crew member's with no duty beyond their own (all 128 × 128 pairs)", () => {
    const all = subsets(duties);
    expect(all).toHaveLength(2 ** duties.length);
    for (const own of all) {
      expect(mayHandOut(crew(...own), producer)).toBe(false);
      for (const wanted of all) {
        expect(mayHandOut(crew(...own), crew(...wanted))).toBe(wanted.every((duty) => own.includes(duty)));
      }
    }
  });

  it("places without duties are anybody's to give who may give places at all", () => {
    for (const role of ["panelist", "interpreter", "captioner"] as const) {
      expect(mayHandOut(crew("people"), { role, duties: [] })).toBe(true);
    }
    // duties in a place that knows none give a panelist nothing to hand out
    expect(mayHandOut({ role: "panelist", duties: ["polls"] }, crew("polls"))).toBe(false);
  });
});
