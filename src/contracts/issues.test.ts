import { describe, expect, it } from "vitest";
import { z } from "zod";
import { issueCodes } from "@/core/shared";
import { fieldIssuesOf, freshPlan, issuesOf, planInput, reminderOffsetsInput, wordsOfIssue } from ".";
import { standardRules } from "@/core/organisation";

const found = (shape: z.ZodType, input: unknown) => {
  const parsed = shape.safeParse(input);
  return parsed.success ? [] : issuesOf(parsed.error);
};
const plan = (part: object) => ({
  ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed),
  title: "Tides",
  ...part,
});

describe("what is wrong with a field", () => {
  it("is data: where, what, and the figures its words need", () => {
    expect(found(planInput, plan({ title: " ", durationMinutes: 4 }))).toEqual([
      { path: "title", code: "title-needed", facts: { least: 1 } },
      { path: "durationMinutes", code: "too-short-a-time", facts: { least: 5 } },
    ]);
    expect(found(planInput, plan({ shape: "series" }))).toEqual([{ path: "rule", code: "rule-needed", facts: {} }]);
    expect(found(reminderOffsetsInput, [60, 4]).map((one) => [one.path, one.code, one.facts])).toEqual([
      ["1", "reminder-too-late", { least: 5 }],
    ]);
  });

  it.each<[string, z.ZodType, unknown, string]>([
    ["nothing given", z.object({ a: z.string() }), {}, "needed"],
    ["no letter", z.object({ a: z.string().min(1) }), { a: "" }, "needed"],
    ["too many letters", z.object({ a: z.string().max(2) }), { a: "abc" }, "too-long"],
    ["too few of a list", z.object({ a: z.array(z.string()).min(2) }), { a: ["x"] }, "too-few"],
    ["too many of a list", z.object({ a: z.array(z.string()).max(1) }), { a: ["x", "y"] }, "too-many"],
    ["a number too small", z.object({ a: z.number().min(3) }), { a: 2 }, "too-small"],
    ["a number too large", z.object({ a: z.number().max(3) }), { a: 4 }, "too-large"],
    ["half of one", z.object({ a: z.number().int() }), { a: 1.5 }, "not-whole"],
    ["words for a number", z.object({ a: z.coerce.number() }), { a: "many" }, "not-a-number"],
    ["none of the choices", z.object({ a: z.enum(["x"]) }), { a: "z" }, "not-offered"],
    ["a form of its own", z.object({ a: z.string().regex(/^x$/) }), { a: "z" }, "unreadable"],
  ])("gets a code also where the schema says nothing of its own: %s", (_what, shape, input, code) => {
    expect(found(shape, input).map((one) => [one.path, one.code])).toEqual([["a", code]]);
  });

  it("is said in whole sentences, each code in its own, no name of a field or library in it", () => {
    const facts = { least: 5, most: 1000, size: 250, field: "Your town", domains: "example.org" };
    const said = issueCodes.map((code) => wordsOfIssue({ code, facts }));
    for (const words of said) expect(words).toMatch(/^[A-Z“].*\.$/);
    expect(said.filter((words) => /undefined|NaN|expected|Invalid|\{/.test(words))).toEqual([]);
    expect(wordsOfIssue({ code: "too-many-seats", facts: { most: 100_000 } })).toBe("At most 100,000 seats.");
    expect(wordsOfIssue({ code: "answer-not-offered", facts: { field: "Your town" } })).toBe(
      "Your town: choose one of the answers.",
    );
  });

  it("marks the address where an address is not welcome, and nothing for other refusals", () => {
    expect(fieldIssuesOf({ code: "not-welcome", domains: ["a.example", "b.example"] })).toEqual([
      { path: "email", code: "not-welcome", facts: { domains: "a.example, b.example" } },
    ]);
    expect(fieldIssuesOf({ code: "house-full" })).toEqual([]);
  });
});
