import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The start lies outside the hours that the house rules propose. */
export const startOutsideHours: Check = (plan) => {
  const clock = plan.start.local.slice(11);
  if (clock >= plan.limits.earliestStart && clock <= plan.limits.latestStart) return null;
  return finding("start-outside-hours", "worth-a-look", plan.startAt - 7 * 24 * hourMs, "plan", "startLocal", {
    clock,
    from: plan.limits.earliestStart,
    until: plan.limits.latestStart,
  });
};
