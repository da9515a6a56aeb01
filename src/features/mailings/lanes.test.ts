import { describe, expect, it } from "vitest";
import { mailingKinds } from "@/core/mailings";
import { laneOf, lanes, rowsOf } from "./lanes";

describe("the lanes of the track", () => {
  it("have a place for every kind of mail, and no two kinds of a lane bear one name", () => {
    const names = mailingKinds.map((kind) => laneOf[kind].join("/"));
    expect(new Set(names).size).toBe(mailingKinds.length);
    expect(mailingKinds.every((kind) => lanes.includes(laneOf[kind][0]))).toBe(true);
  });
  it("stack marks that would cover one another, and go back to the first row where there is room", () => {
    expect(rowsOf([0, 5, 8, 20, 60])).toEqual([0, 1, 2, 0, 0]);
    // more at once than there are rows: the one that ends first is covered
    expect(rowsOf([0, 1, 2, 3])).toEqual([0, 1, 2, 0]);
  });
});
