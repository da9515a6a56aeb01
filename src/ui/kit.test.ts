import { describe, expect, it } from "vitest";
import { classes } from "./classes";
import { initialsOf } from "./person";
import { afterPress, sorted } from "./sorted";

describe("names of classes", () => {
  it("let the later of two that contradict each other stand", () => {
    expect(classes("px-3 text-ink", false, null, "px-1")).toBe("text-ink px-1");
  });
  it("know a size of type from a colour", () => {
    expect(classes("text-label text-ink-2")).toBe("text-label text-ink-2");
    expect(classes("text-label", "text-head")).toBe("text-head");
  });
});

describe("initials", () => {
  it.each([
    ["Ines Marl", "IM"],
    ["ines de la marl", "IM"],
    ["Oskar", "O"],
    ["", ""],
    ["ليلى حداد", "لح"],
    ["𝒜da Ⅳ", "𝒜Ⅳ"],
  ])("of “%s” are “%s”", (name, initials) => expect(initialsOf(name)).toBe(initials));
});

describe("rows in the order of a column", () => {
  const rows = [{ n: 10 }, { n: null }, { n: 9 }, { n: 10, later: true }];
  it("sort figures as figures, empty cells last either way, equal ones as they stood", () => {
    expect(sorted(rows, (row) => row.n, false)).toEqual([{ n: 9 }, { n: 10 }, { n: 10, later: true }, { n: null }]);
    expect(sorted(rows, (row) => row.n, true)).toEqual([{ n: 10 }, { n: 10, later: true }, { n: 9 }, { n: null }]);
  });
  it("sort words without regard to case, and figures within them by size", () => {
    const words = ["site 10", "Site 9", "élan", "alder"].map((w) => ({ w }));
    expect(sorted(words, (row) => row.w, false).map((row) => row.w)).toEqual(["alder", "élan", "Site 9", "site 10"]);
  });
  it("go up at the first press on a head, down at the second", () => {
    const once = afterPress(null, "name");
    expect(once).toEqual({ column: "name", isDescending: false });
    expect(afterPress(once, "name").isDescending).toBe(true);
    expect(afterPress(once, "age")).toEqual({ column: "age", isDescending: false });
  });
});
