import fc from "fast-check";
import { describe, expect, it } from "vitest";
import { nulIn } from ".";

describe("a NUL in what was typed", () => {
  it("is found wherever it stands, and named by its field", () => {
    expect(nulIn({ title: "Tides", parts: [{ words: "a\u0000b" }] })).toBe("parts.0.words");
    expect(nulIn({ answers: { "a\u0000b": "x" } })).toBe("answers");
    expect(nulIn("\u0000")).toBe("");
    expect(nulIn({ title: "Tides", at: 3, bytes: new Uint8Array([0]), none: null })).toBeNull();
  });
  it("in any input: found exactly where its JSON has one (1,000 inputs)", () => {
    const text = fc.string({ maxLength: 6, unit: fc.constantFrom("a", "é", "\u0000", "\n") });
    const input = fc.letrec((tie) => ({
      any: fc.oneof(
        { depthSize: "small" },
        text,
        fc.integer(),
        fc.constant(null),
        fc.array(tie("any"), { maxLength: 3 }),
        fc.dictionary(text, tie("any"), { maxKeys: 3, noNullPrototype: true }),
      ),
    })).any;
    fc.assert(
      fc.property(input, (one) => {
        expect(nulIn(one) !== null).toBe(JSON.stringify(one).includes("\\u0000"));
      }),
      { numRuns: 1000 },
    );
  });
});
