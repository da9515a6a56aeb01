import { kindOfWallTime } from "../../time";
import type { Check } from "../plan-facts";

/** The start falls into an hour that a clock change skips or repeats (rule 1). */
export const clockChangeAtStart: Check = (plan) => {
  const kind = kindOfWallTime(plan.start);
  if (kind === "plain") return null;
  return {
    check: kind === "gap" ? "start-in-skipped-hour" : "start-in-repeated-hour",
    severity: "not-during-the-hour",
    byAt: plan.startAt,
    place: "plan",
    field: "startLocal",
    facts: { local: plan.start.local },
  };
};
