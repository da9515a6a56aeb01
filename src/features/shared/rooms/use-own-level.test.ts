import { describe, expect, it } from "vitest";
import { levelToSay } from "./use-own-level";

describe("one's own level", () => {
  it("is said in steps that can be seen, and silence once", () => {
    const spoken: number[] = [];
    let said = 0;
    for (const level of [0, 1, 5, 6, 9, 40, 41, 1, 0, 0]) {
      const next = levelToSay(said, level);
      if (next !== null) spoken.push((said = next));
    }
    expect(spoken).toEqual([5, 9, 40, 1, 0]);
  });
});
