import { describe, expect, it } from "vitest";
import { inOrder } from ".";

const asked = [
  { id: "a", askedAt: 1, votes: 2, segmentId: "s1" },
  { id: "b", askedAt: 2, votes: 9, segmentId: "s2" },
  { id: "c", askedAt: 3, votes: 2, segmentId: "s1" },
  { id: "d", askedAt: 4, votes: 5, segmentId: null },
];
const ids = (...call: Parameters<typeof inOrder>) =>
  inOrder(...call)
    .map((one) => one.id)
    .join("");

describe("rule 12: order of questions", () => {
  it("puts the current segment first, then votes, then age", () => expect(ids(asked, "segment", "s1")).toBe("acbd"));
  it("knows votes, newest and oldest alone", () =>
    expect([ids(asked, "votes", "s1"), ids(asked, "newest", null), ids(asked, "oldest", null)]).toEqual([
      "bdac",
      "dcba",
      "abcd",
    ]));
  it("has no first segment before the first cue", () => expect(ids(asked, "segment", null)).toBe("bdac"));
});
