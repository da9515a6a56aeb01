import { describe, expect, it } from "vitest";
import { closedBecause } from ".";

describe("for whom and when a recording is there", () => {
  const at = 1000;
  const published = { publishedFrom: at, publishedUntil: null, audience: "everyone" } as const;
  it("is told nothing of before it is published, and when it will be before its date", () => {
    expect(closedBecause({ ...published, publishedFrom: null }, at, true)).toBe("absent");
    expect([at - 1, at].map((now) => closedBecause(published, now, false))).toEqual(["later", null]);
  });
  it("ends at its instant, not a moment later, whoever asks", () => {
    const until = { ...published, publishedUntil: 2000 };
    expect([1999, 2000].map((now) => closedBecause(until, now, true))).toEqual([null, "over"]);
  });
  it("for people who registered opens to them alone; by its address to whoever has that", () => {
    const own = { ...published, audience: "registrants" } as const;
    expect([true, false].map((is) => closedBecause(own, at, is))).toEqual([null, "registrants"]);
    expect(closedBecause({ ...published, audience: "link" }, at, false)).toBeNull();
  });
});
