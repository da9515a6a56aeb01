import { describe, expect, it } from "vitest";
import { freshPlan, planInput, type PlanInput } from "@/contracts";
import { standardRules } from "@/core/organisation";
import { worded, wordedResolver } from "./worded-resolver";

const plan = (part: object): PlanInput =>
  ({ ...freshPlan("2026-11-26T18:00", "Europe/Lisbon", standardRules.proposed), title: "Tides", ...part }) as PlanInput;
const check = async (values: PlanInput) =>
  wordedResolver(planInput)(values, undefined, { fields: {}, shouldUseNativeValidation: false });

describe("a form checked by its contract", () => {
  it("takes what the contract takes, as the contract reads it", async () => {
    const { values, errors } = await check(plan({ title: "  Tides  ", houseSize: "250" }));
    expect(errors).toEqual({});
    expect(values).toMatchObject({ title: "Tides", houseSize: 250 });
  });
  it("marks each field that is wrong in the team's words, inner ones where they stand, the first issue of a field", async () => {
    const { values, errors } = await check(
      plan({
        title: "",
        durationMinutes: 2,
        formFields: [{ id: "a", label: " ", kind: "short", isRequired: false, options: [] }],
      }),
    );
    expect(values).toEqual({});
    expect(errors).toMatchObject({
      title: { type: "title-needed", message: "The event needs a title." },
      durationMinutes: { message: "At least 5 minutes." },
      formFields: [{ label: { message: "The question has no words." } }],
    });
  });
});

describe("all that a form found wrong", () => {
  it("is said once each, however deep it stands", () => {
    const missing = { type: "needed", message: "Something is missing here." };
    expect(worded({ title: missing, rows: [undefined, { label: missing, size: { message: "At most 5." } }] })).toBe(
      "Something is missing here. At most 5.",
    );
    expect(worded({})).toBe("");
  });
});
