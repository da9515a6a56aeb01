import fc from "fast-check";
import { describe, expect, it } from "vitest";
import {
  canDependOn,
  checkAnswers,
  dependingOnLater,
  contrastOf,
  isShown,
  neededContrast,
  paper,
  readableLook,
  tintedPaper,
  waitsForApproval,
  type FormField,
} from ".";

const field = (part: Partial<FormField> & { id: string }): FormField => ({
  label: part.id,
  kind: "short",
  isRequired: false,
  options: [],
  ...part,
});

describe("colours that can be read", () => {
  it("have WCAG's ratios: black on white 21, #767676 on white 4.54, #777777 4.48 (WebAIM's well-known pair, from memory)", () => {
    expect(contrastOf("#000000", "#FFFFFF")).toBeCloseTo(21, 5);
    expect(contrastOf("#767676", "#FFFFFF")).toBeCloseTo(4.54, 2);
    expect(contrastOf("#777777", "#FFFFFF")).toBeCloseTo(4.48, 2);
  });
  it("come out of any colour at all, 2,000 generated", () => {
    let colours = 0;
    fc.assert(
      fc.property(fc.integer({ min: 0, max: 0xffffff }), (value) => {
        const look = readableLook(`#${value.toString(16).padStart(6, "0")}`);
        expect(contrastOf(look.text, paper)).toBeGreaterThanOrEqual(neededContrast);
        expect(contrastOf(look.text, "#FFFFFF")).toBeGreaterThanOrEqual(neededContrast);
        expect(contrastOf(look.ground, look.onGround)).toBeGreaterThanOrEqual(3.9);
        const page = tintedPaper(look.ground);
        expect(contrastOf(readableLook(look.ground, page).text, page)).toBeGreaterThanOrEqual(neededContrast);
        expect(contrastOf("#1B1F23", page)).toBeGreaterThanOrEqual(neededContrast);
        colours += 1;
      }),
      { numRuns: 2000, seed: 20261125 },
    );
    console.log(`looks: ${colours} colours made readable`);
  });
  it("leave a readable colour as it is and refuse words that are none", () => {
    expect(readableLook("#0E5A5A")).toMatchObject({ text: "#0E5A5A", onGround: "#FFFFFF", wasDarkened: false });
    expect(readableLook("#FFE000")).toMatchObject({ ground: "#FFE000", onGround: "#1B1F23", wasDarkened: true });
    expect(readableLook("javascript:1").ground).toBe("#0E5A5A");
  });
});

describe("answers of the registration form", () => {
  const fields = [
    field({ id: "role", kind: "choice", options: ["warden", "guest"], isRequired: true }),
    field({ id: "district", isRequired: true, shownIf: { fieldId: "role", answer: "warden" } }),
    field({ id: "tools", kind: "several", options: ["scope", "rings"] }),
    field({ id: "years", kind: "number" }),
    field({ id: "land", kind: "country" }),
    field({ id: "rules", kind: "consent", isRequired: true, link: "https://example.org/rules" }),
    field({ id: "from", kind: "hidden", link: "spring-letter" }),
  ];
  it("asks only what is shown, keeps what was asked, and a hidden field its own value", () => {
    expect(
      checkAnswers(fields, {
        role: "guest",
        district: "north",
        rules: "yes",
        tools: "scope\nrings",
        years: "3",
        land: "PT",
        from: "forged",
      }),
    ).toEqual({
      kept: { role: "guest", tools: "scope\nrings", years: "3", land: "PT", rules: "yes", from: "spring-letter" },
      issues: [],
    });
    expect(isShown(fields[1]!, fields, { role: "warden" })).toBe(true);
  });
  it("names each answer that is wrong", () => {
    const { issues } = checkAnswers(fields, {
      role: "king",
      tools: "scope\nhammer",
      years: "three",
      land: "Portugal",
      rules: "",
    });
    expect(issues).toEqual([
      { fieldId: "role", reason: "not-offered" },
      { fieldId: "tools", reason: "not-offered" },
      { fieldId: "years", reason: "not-a-number" },
      { fieldId: "land", reason: "unknown-country" },
      { fieldId: "rules", reason: "needed" },
    ]);
  });
  it("does not ask in a circle", () => {
    const circle = [
      field({ id: "a", shownIf: { fieldId: "b", answer: "x" } }),
      field({ id: "b", shownIf: { fieldId: "a", answer: "x" } }),
    ];
    expect(checkAnswers(circle, { a: "x", b: "x" })).toEqual({ kept: {}, issues: [] });
  });
});

describe("approval by rule", () => {
  it("lets addresses of named domains in at once, look-alikes not", () => {
    const rule = { domains: ["example.org"] };
    expect([
      waitsForApproval("by-hand", rule, "a@Example.org"),
      waitsForApproval("by-hand", rule, "a@post.example.org"),
      waitsForApproval("by-hand", rule, "a@notexample.org"),
      waitsForApproval("at-once", rule, "x@example.com"),
    ]).toEqual([false, false, true, false]);
  });
});

describe("what a question may depend on", () => {
  const fields = [
    field({ id: "role", kind: "choice", options: ["warden", "guest"] }),
    field({ id: "why", kind: "short", shownIf: { fieldId: "role", answer: "warden" } }),
    field({ id: "rules", kind: "consent" }),
  ];
  it("is a question of choice above it", () => {
    expect(canDependOn(fields, "role")).toEqual([]);
    expect(canDependOn(fields, "rules").map((one) => one.id)).toEqual(["role"]);
    expect(dependingOnLater(fields)).toEqual([]);
  });
  it("is never one below it, itself, or one that is not there", () => {
    const moved = [fields[1]!, fields[0]!, fields[2]!];
    expect(dependingOnLater(moved)).toEqual([0]);
    expect(dependingOnLater([field({ id: "a", kind: "choice", shownIf: { fieldId: "a", answer: "x" } })])).toEqual([0]);
    expect(dependingOnLater([field({ id: "a", shownIf: { fieldId: "gone", answer: "x" } })])).toEqual([0]);
  });
});
