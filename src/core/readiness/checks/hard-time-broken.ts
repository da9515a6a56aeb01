import { planRunSheet } from "../../run-sheet";
import type { Check } from "../plan-facts";

/** A fixed start that the segments before it run into. */
export const hardTimeBroken: Check = (plan) => {
  const broken = planRunSheet(plan.segments, plan.startAt, plan.endAt).segments.filter((one) => one.overlapMinutes > 0);
  if (broken.length === 0) return null;
  return {
    check: "hard-time-broken",
    severity: "worth-a-look",
    byAt: plan.startAt,
    place: "run-sheet",
    field: "segments",
    facts: { count: broken.length, minutes: Math.round(broken[0]!.overlapMinutes) },
  };
};
