import { describe, expect, it } from "vitest";
import { hookOutcomeFrom, hookOutcomeText, hookOutcomes } from "@/contracts";
import { hookWords } from "./hook-words";

describe("how a board's hook was answered", () => {
  it.each(hookOutcomes)("%s is kept as a code and read as words", (how) => {
    const kept = hookOutcomeText({ how, tries: 3 });
    expect(hookOutcomeFrom(kept)).toEqual({ how, tries: 3 });
    expect(hookWords({ how, tries: 3 })).toMatch(/^[a-z].*[a-z]$/);
    expect(hookWords({ how, tries: 3 })).not.toMatch(/\d{3}|null|undefined/);
  });
  it("nothing yet, and what an older version wrote, is not called yet", () => {
    for (const text of [null, "", "tried 3 times, last 500", "answered 204 ok"]) {
      expect(hookWords(hookOutcomeFrom(text))).toBe("not called yet");
    }
  });
});
