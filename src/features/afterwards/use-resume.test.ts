import { describe, expect, it } from "vitest";
import { resumeAt } from "./use-resume";

describe("where somebody left a recording", () => {
  it("is offered once it is worth it, and no longer near the end", () => {
    expect([0, 19, 20, 1800, 3579, 3580, 3600].map((at) => resumeAt(at, 3600))).toEqual([
      null,
      null,
      20,
      1800,
      3579,
      null,
      null,
    ]);
  });
  it("is nothing in a recording that is shorter than that, or of which nothing is kept", () => {
    expect([resumeAt(20, 30), resumeAt(Number.NaN, 3600), resumeAt(20, 0)]).toEqual([null, null, null]);
  });
});
