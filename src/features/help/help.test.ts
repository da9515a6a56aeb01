import { describe, expect, it } from "vitest";
import { houseTable } from "@/core/people";
import { permissionTable } from "@/core/rights";
import { actionWords, houseActionWords, partWords } from "./action-words";
import { firstSteps, terms } from "./terms";

describe("the help's words", () => {
  it("has every act of the permission table in words of its own, never a code", () => {
    expect(Object.keys(actionWords).sort()).toEqual(Object.keys(permissionTable).sort());
    expect(Object.keys(houseActionWords).sort()).toEqual(Object.keys(houseTable).sort());
    const words = [...Object.values(actionWords), ...Object.values(houseActionWords)];
    expect(new Set(words).size).toBe(words.length);
    for (const one of words) expect(one).toMatch(/^[A-Z][^.]*$/);
    for (const action of Object.keys(permissionTable)) expect(partWords[action.split(".")[0]!]).toBeTruthy();
  });
  it("explains each word once, in the order of the alphabet", () => {
    const sorted = [...terms].sort(([a], [b]) => a.localeCompare(b, "en"));
    expect(terms.map(([word]) => word)).toEqual(sorted.map(([word]) => word));
    expect(new Set(terms.map(([word]) => word)).size).toBe(terms.length);
    expect(firstSteps.length).toBeGreaterThan(5);
  });
});
