import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { Book } from "../shared";
import { sectionOf } from "./section-of";

interface Value {
  readonly n: number;
}
const make = (value: Value, word: string | undefined, isLoud: boolean) =>
  value.n % 3 === 0 ? null : { n: value.n, word: isLoud ? (word ?? "").toUpperCase() : (word ?? "") };

const id = fc.constantFrom("a", "b", "c", "d", "e");
const step = fc.oneof(
  fc.record({ do: fc.constant("put" as const), id, n: fc.nat(8) }),
  fc.record({ do: fc.constant("drop" as const), id }),
  fc.record({ do: fc.constant("say" as const), id, word: fc.string({ maxLength: 3 }) }),
  fc.record({ do: fc.constant("unsay" as const), id }),
  fc.record({ do: fc.constant("loud" as const), isLoud: fc.boolean() }),
);

describe("a section over a large book", () => {
  it("made step by step is the section made whole, whatever changed in between (500 histories)", () => {
    fc.assert(
      fc.property(fc.array(step, { maxLength: 40 }), (steps) => {
        const stepwise = sectionOf(make);
        let book = Book.empty<Value>();
        let words: ReadonlyMap<string, string> = new Map();
        let isLoud = false;
        for (const one of steps) {
          if (one.do === "put") book = book.with(one.id, { n: one.n });
          if (one.do === "drop") book = book.without(one.id);
          if (one.do === "say") words = new Map([...words, [one.id, one.word]]);
          if (one.do === "unsay") words = new Map([...words].filter(([key]) => key !== one.id));
          if (one.do === "loud") isLoud = one.isLoud;
          const whole = sectionOf(make)(Book.from(book), words, isLoud);
          expect(Object.fromEntries(stepwise(book, words, isLoud))).toEqual(Object.fromEntries(whole));
        }
      }),
      { numRuns: 500 },
    );
  });

  it("touches only what differs: a book of thousands is not walked again for one row", () => {
    let made = 0;
    const section = sectionOf((value: Value) => {
      made += 1;
      return { ...value };
    });
    let book = Book.from(Array.from({ length: 3000 }, (_, i) => [`q${i}`, { n: i }] as const));
    const words = new Map<string, string>();
    const before = section(book, words);
    book = book.with("q7", { n: -1 });
    const after = section(book, words);
    expect(made).toBe(3001);
    expect(Book.changes(before, after).map(([key]) => key)).toEqual(["q7"]);
    expect(after.get("q8")).toBe(before.get("q8"));
    expect(section(book, words)).toBe(after);
  });
});
