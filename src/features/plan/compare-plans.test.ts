import { describe, expect, it } from "vitest";
import { freshPlan, type PlanInput } from "@/contracts";
import { standardRules } from "@/core/organisation";
import { comparePlans, mergedPlan } from "./compare-plans";
import { planFieldWords, planValueWords } from "./plan-words";

const base: PlanInput = { ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed), title: "Tides" };

describe("one plan in two windows", () => {
  const mine = { ...base, title: "Tides and marsh", place: "Pump house", houseSize: 200 };
  const theirs = { ...base, title: "Tides at night", isRecorded: true, houseSize: 200 };

  it("parts what the other changed from what both did, and from what was changed here", () => {
    expect(comparePlans(base, mine, theirs)).toEqual({ theirs: ["isRecorded"], both: ["title"], mine: ["place"] });
    expect(comparePlans(base, base, base)).toEqual({ theirs: [], both: [], mine: [] });
  });

  it("follows with theirs, what was changed here alone, and what is kept of the rest", () => {
    const compared = comparePlans(base, mine, theirs);
    expect(mergedPlan(compared, mine, theirs, new Set())).toEqual({ ...theirs, place: "Pump house" });
    expect(mergedPlan(compared, mine, theirs, new Set(["title"] as const))).toEqual({
      ...theirs,
      place: "Pump house",
      title: "Tides and marsh",
    });
  });

  it("names every field, and its value as people say it", () => {
    for (const field of Object.keys(base) as (keyof PlanInput)[]) {
      expect(planFieldWords[field]).toMatch(/^[A-Z]/);
      expect(planValueWords(field, base)).not.toMatch(/true|false|null|undefined|\[object/);
    }
    expect(planValueWords("startLocal", base)).toBe("Thu 26 Nov 2026, 18:00");
    expect(planValueWords("isRecorded", theirs)).toBe("yes");
    expect(planValueWords("descriptionHtml", { ...base, descriptionHtml: "<p>Why <b>it</b> moves.</p>" })).toBe(
      "Why it moves.",
    );
    expect(planValueWords("accessCode", { ...base, accessCode: "marsh-1234" })).toBe("marsh-1234");
  });
});
