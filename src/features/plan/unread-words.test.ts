import { describe, expect, it } from "vitest";
import { momentFaultWords } from "@/features/shared/moment-words";
import { unreadWords } from "./unread-words";

describe("what was not taken over, in words", () => {
  it("says so for each part, and that all was where all was", () => {
    expect(unreadWords([])).toBe("Everything was taken over.");
    expect(unreadWords([{ part: "zone", detail: "atlantis time" }, { part: "length" }])).toBe(
      "Taken over, except the time zone “atlantis time”; the length: none was found.",
    );
    expect(unreadWords([{ part: "more-entries", detail: "1" }])).toContain("1 more entry of");
  });

  it("names a date's weekday and the words that were not understood", () => {
    expect(momentFaultWords({ fault: "other-weekday", words: "thursday" })).toBe("That day is a Thursday.");
    expect(momentFaultWords({ fault: "not-understood", words: "cet" })).toBe("“cet” is not understood.");
  });
});
