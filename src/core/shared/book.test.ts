import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Book } from ".";

const act = fc.tuple(fc.constantFrom("put", "drop"), fc.integer({ min: 0, max: 200 }), fc.nat(3));
type Act = [string, number, number];
const play = (book: Book<number>, acts: readonly Act[]) =>
  acts.reduce((next, [what, id, n]) => (what === "put" ? next.with(`i${id}`, n) : next.without(`i${id}`)), book);
const byMap = (acts: readonly Act[], map = new Map<string, number>()) => {
  for (const [what, id, n] of acts) {
    if (what === "put") map.set(`i${id}`, n);
    else map.delete(`i${id}`);
  }
  return map;
};

describe("a book", () => {
  it("holds what a plain map would hold, and leaves the one before as it was (300 runs of up to 400 acts)", () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 200 }), fc.array(act, { maxLength: 200 }), (first, second) => {
        const before = play(Book.empty<number>(), first);
        const after = play(before, second);
        expect(new Map(before)).toEqual(byMap(first));
        expect(new Map(after)).toEqual(byMap(second, byMap(first)));
        expect(after.size).toBe(new Map(after).size);
      }),
      { numRuns: 300 },
    );
  });
  it("names exactly what differs from another", () => {
    fc.assert(
      fc.property(fc.array(act, { maxLength: 150 }), fc.array(act, { maxLength: 150 }), (first, second) => {
        const before = play(Book.empty<number>(), first);
        const after = play(before, second);
        const told = new Map([...Book.changes(before, after)].map(([id, was, is]) => [id, [was, is]]));
        for (const id of new Set([...byMap(first).keys(), ...new Map(after).keys()])) {
          const [was, is] = [before.get(id), after.get(id)];
          expect(told.get(id)).toEqual(was === is ? undefined : [was, is]);
        }
      }),
    );
  });
  it("comes back from JSON as it went in", () => {
    const book = play(Book.empty<number>(), [
      ["put", 1, 5],
      ["put", 2, 6],
      ["drop", 1, 0],
    ]);
    const back = JSON.parse(JSON.stringify({ deep: { book } }), Book.revive) as { deep: { book: Book<number> } };
    expect([...back.deep.book]).toEqual([["i2", 6]]);
  });

  it("puts an id that went and came again last, as a book that was read back does", () => {
    const book = Book.from<number>([
      ["a", 1],
      ["b", 2],
    ]);
    const again = book.without("a").with("c", 3).with("a", 4);
    expect([...again].map(([id]) => id)).toEqual(["b", "c", "a"]);
    const onTop = Book.empty<number>().with("x", 1).with("y", 2).without("x").with("x", 3);
    expect([...onTop].map(([id]) => id)).toEqual(["y", "x"]);
    expect([...onTop.with("y", 5)].map(([id]) => id)).toEqual(["y", "x"]);
    expect(again.size).toBe(3);
  });
});
