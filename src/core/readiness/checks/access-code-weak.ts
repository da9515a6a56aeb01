import type { Check } from "../plan-facts";

const shortest = 6;

/** The access code of a private event is missing, short, or one character over and over. */
export const accessCodeWeak: Check = (plan) => {
  if (!plan.isPrivate) return null;
  const code = plan.accessCode ?? "";
  if (code.length >= shortest && new Set(code).size > 2) return null;
  return {
    check: "access-code-weak",
    severity: "not-during-the-hour",
    byAt: plan.startAt,
    place: "plan",
    field: "accessCode",
    facts: { shortest },
  };
};
