import { describe, expect, it } from "vitest";
import { similarity, trigramsOf } from ".";

describe("rule 12: trigram similarity", () => {
  it("makes the trigrams of the PostgreSQL manual's example (F.35: show_trgm)", () => {
    expect([...trigramsOf("cat")].sort()).toEqual(["  c", " ca", "at ", "cat"]);
    expect([...trigramsOf("foo|bar")].sort()).toEqual(["  b", "  f", " ba", " fo", "ar ", "bar", "foo", "oo "]);
  });
  it("is 1 for the same, 0 for nothing in common, in single precision between", () => {
    expect(similarity("word", "word")).toBe(1);
    expect(similarity("word", "tide")).toBe(0);
    // F.35's example: similarity('word', 'two words') = 0.36363637
    expect(similarity("word", "two words")).toBe(Math.fround(4 / 11));
    expect(similarity("", "")).toBe(0);
  });
});
