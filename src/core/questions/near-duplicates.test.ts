import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { NearDuplicates, nearFrom, similarity } from ".";

describe("rule 12: near-duplicates", () => {
  it("offers what is nearly the same, the most alike first, and never the question itself", () => {
    const near = new NearDuplicates();
    near.add("a", "How high is the tide tonight?");
    near.add("b", "Where can we park?");
    near.add("c", "How high will the tide be tonight?");
    near.add("d", "how HIGH is the tide, tonight");
    expect(near.of("b")).toEqual([]);
    expect(near.of("c").map(({ id }) => id)).toEqual(["a"]);
    expect(near.of("d").map(({ id }) => id)).toEqual(["a", "c"]);
    expect(near.of("d")[0]!.likeness).toBe(1);
  });

  it("finds exactly the pairs that comparing each with each finds, 300 generated houses", () => {
    const word = fc.constantFrom("tide", "tides", "ring", "rings", "marsh", "count", "موج", "लहर", "7", "17");
    const text = fc.array(word, { minLength: 0, maxLength: 5 }).map((words) => words.join(" "));
    fc.assert(
      fc.property(fc.array(text, { maxLength: 25 }), (texts) => {
        const near = new NearDuplicates();
        texts.forEach((one, i) => near.add(String(i), one));
        texts.forEach((one, i) => {
          const wanted = texts
            .slice(0, i)
            .map((other, j) => ({ id: String(j), likeness: similarity(one, other) }))
            .filter(({ likeness }) => likeness >= Math.fround(nearFrom));
          const sorted = (list: readonly { id: string }[]) => [...list].sort((a, b) => (a.id < b.id ? -1 : 1));
          expect(sorted(near.of(String(i)))).toEqual(sorted(wanted));
        });
      }),
      { numRuns: 300 },
    );
  });
});
