import { describe, expect, it } from "vitest";
import { mailStateWords } from "./mail-words";

describe("what became of a mail", () => {
  it.each([
    ["sent", null, "sent"],
    ["failed", "refused: 550", "came back (550)"],
    ["failed", null, "not delivered"],
    ["sending", null, "on its way"],
    ["failed", "mail server not reached", "mail server not reached"],
  ])("%s, %s: %s", (state, note, words) => expect(mailStateWords(state, note)).toBe(words));
});
