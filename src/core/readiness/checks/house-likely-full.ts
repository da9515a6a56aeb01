import { finding, type Check } from "../plan-facts";

const likely = 0.25;

/** More people may want in than the house holds. */
export const houseLikelyFull: Check = (plan) => {
  if (!plan.expected || plan.expected.fullChance < likely) return null;
  const percent = Math.round(plan.expected.fullChance * 100);
  return finding("house-likely-full", "not-during-the-hour", plan.startAt, "plan", "houseSize", {
    percent,
    peak: Math.round(plan.expected.peak),
    houseSize: plan.houseSize,
  });
};
