import { expect, it } from "vitest";
import { comings } from "./sounds";

const set = (...ids: string[]) => new Set(ids);

it("sounds tell of a change: nothing of the first picture, nothing where all stayed, one for all who came or went", () => {
  expect(comings(null, set("a", "b"))).toBeNull();
  expect(comings(set("a", "b"), set("b", "a"))).toBeNull();
  expect(comings(set("a"), set("a", "b", "c"))).toEqual({ came: 2, went: 0 });
  expect(comings(set("a", "b"), set("c"))).toEqual({ came: 1, went: 2 });
  expect(comings(set(), set("a"))).toEqual({ came: 1, went: 0 });
});
