import { describe, expect, it } from "vitest";
import { afterCuts } from "./use-edit-player";

describe("a player that plays across what is left out", () => {
  const cuts = [
    { fromSeconds: 20, toSeconds: 30 },
    { fromSeconds: 28, toSeconds: 40 },
    { fromSeconds: 0, toSeconds: 5 },
  ];
  it("goes on behind it, also where two of them overlap", () => {
    expect([0, 4.9, 25, 39.9].map((at) => afterCuts(at, cuts))).toEqual([5, 5, 40, 40]);
  });
  it("stays where nothing is left out, and where something ends", () => {
    expect([5, 19.9, 40, 100].map((at) => afterCuts(at, cuts))).toEqual([null, null, null, null]);
    expect(afterCuts(3, [])).toBeNull();
  });
});
