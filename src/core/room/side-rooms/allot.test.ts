import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { seededChance } from "../../shared";
import { allot, smallestRoom, type AllotRules } from "../index";

const free: AllotRules = { together: [], apart: [] };
const people = (n: number) => Array.from({ length: n }, (_, i) => `p${i}`);
const sizes = (rooms: ReadonlyMap<string, number>, count: number) =>
  Array.from({ length: count }, (_, i) => [...rooms.values()].filter((room) => room === i + 1).length);
const allotted = (n: number, rooms: number, rules: AllotRules, seed = 1) =>
  allot(people(n), rooms, rules, seededChance(seed));

/** Whether any allotment at all meets the wishes: every one of them tried. */
function isPossible(n: number, rooms: number, { together, apart }: AllotRules): boolean {
  const all = people(n);
  const roomOf = new Map<string, number>();
  const held = Array.from({ length: rooms }, () => 0);
  const small = Math.floor(n / rooms);
  const go = (at: number): boolean => {
    if (at === n) {
      const isEven = held.every((count) => count === small || count === small + 1);
      const isSame = together.every((set) => new Set(set.map((id) => roomOf.get(id))).size <= 1);
      return isEven && isSame && apart.every((set) => new Set(set.map((id) => roomOf.get(id))).size === set.length);
    }
    return held.some((_, room) => {
      roomOf.set(all[at]!, room);
      held[room]! += 1;
      const found = go(at + 1);
      held[room]! -= 1;
      return found;
    });
  };
  return go(0);
}

describe("people into side rooms by chance (rule 15)", () => {
  it("makes rooms whose sizes differ by at most one, whatever the numbers", () => {
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 300 }), fc.integer({ min: 1, max: 40 }), fc.nat(), (n, rooms, seed) => {
        const made = allotted(n, rooms, free, seed);
        if (!made.ok) throw new Error("refused");
        const each = sizes(made.value, rooms);
        expect(each.reduce((sum, one) => sum + one, 0)).toBe(n);
        expect(Math.max(...each) - Math.min(...each)).toBeLessThanOrEqual(1);
      }),
      { numRuns: 500 },
    );
  });
  it("gives the same rooms for the same seed, others for another", () => {
    expect(allotted(40, 5, free, 7)).toEqual(allotted(40, 5, free, 7));
    expect(allotted(40, 5, free, 7)).not.toEqual(allotted(40, 5, free, 8));
  });
  it("puts everybody everywhere about as often: chi square under its 99.9 % bound (20.5 for 5 degrees, handbook table)", () => {
    const counts = Array.from({ length: 6 }, () => 0);
    for (let seed = 0; seed < 1200; seed++) {
      const made = allotted(12, 6, free, seed);
      if (made.ok) counts[made.value.get("p3")! - 1]! += 1;
    }
    const chi = counts.reduce((sum, seen) => sum + (seen - 200) ** 2 / 200, 0);
    expect(chi).toBeLessThan(20.5);
  });
  it("keeps together and apart as wished, or says that it cannot: as every allotment tried one by one (600 generated)", () => {
    const set = (n: number) => fc.uniqueArray(fc.integer({ min: 0, max: n - 1 }), { minLength: 2, maxLength: 3 });
    const wishes = fc
      .integer({ min: 3, max: 7 })
      .chain((n) =>
        fc.tuple(
          fc.constant(n),
          fc.integer({ min: 1, max: 3 }),
          fc.array(set(n), { maxLength: 3 }),
          fc.array(set(n), { maxLength: 3 }),
        ),
      );
    fc.assert(
      fc.property(wishes, fc.nat(), ([n, rooms, same, other], seed) => {
        const ids = (sets: number[][]) => sets.map((one) => one.map((i) => `p${i}`));
        const rules = { together: ids(same), apart: ids(other) };
        const made = allotted(n, rooms, rules, seed);
        expect(made.ok).toBe(isPossible(n, rooms, rules));
        if (!made.ok) return;
        for (const group of rules.together) expect(new Set(group.map((id) => made.value.get(id))).size).toBe(1);
        for (const group of rules.apart) expect(new Set(group.map((id) => made.value.get(id))).size).toBe(group.length);
      }),
      { numRuns: 600 },
    );
  });
  it("names what contradicts", () => {
    const why = (n: number, rooms: number, rules: Partial<AllotRules>) => {
      const made = allotted(n, rooms, { ...free, ...rules });
      return made.ok ? "done" : [made.failure.why, made.failure.people, made.failure.most];
    };
    expect(
      why(6, 3, {
        together: [
          ["p0", "p1"],
          ["p1", "p2"],
        ],
      }),
    ).toEqual(["group-too-large", ["p0", "p1", "p2"], 2]);
    expect(
      why(6, 2, {
        together: [
          ["p0", "p1"],
          ["p1", "p2"],
        ],
        apart: [["p0", "p2"]],
      }),
    ).toEqual(["together-and-apart", ["p0", "p2"], 0]);
    expect(why(6, 2, { apart: [["p0", "p1", "p2"]] })).toEqual(["too-few-rooms", ["p0", "p1", "p2"], 2]);
    expect(
      why(4, 2, {
        apart: [
          ["p0", "p1"],
          ["p1", "p2"],
          ["p0", "p2"],
        ],
      }),
    ).toEqual(["impossible", [], 0]);
  });
  it("places two thousand people into twenty rooms with wishes within its budget", () => {
    const together = Array.from({ length: 50 }, (_, i) => [`p${i * 3}`, `p${i * 3 + 1}`]);
    const made = allotted(2000, 20, { together, apart: [people(20).map((_, i) => `p${i * 3 + 200}`)] });
    expect(made.ok && new Set(made.value.values()).size).toBe(20);
  });
});

describe("the room for a late comer (rule 15)", () => {
  it("is the smallest, of equal ones the first", () => {
    expect(
      smallestRoom(
        new Map([
          [1, 5],
          [2, 4],
          [3, 4],
        ]),
      ),
    ).toBe(2);
    expect(smallestRoom(new Map())).toBeNull();
  });
});
