import { describe, expect, it } from "vitest";
import { holdsWords } from ".";

describe("words found in a text", () => {
  it.each([
    ["Évening on the Märsh", "marsh evening", true],
    ["Évening on the Märsh", "  MÄRSH ", true],
    ["Évening on the Märsh", "marsh morning", false],
    ["Évening on the Märsh", "", true],
    ["ليلى النورس", "النورس", true],
    ["100% tide", "%", true],
  ])("%s holds %s: %s", (text, words, is) => expect(holdsWords(text, words)).toBe(is));
});
