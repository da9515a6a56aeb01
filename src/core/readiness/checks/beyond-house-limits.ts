import { brokenLimits, standardRules } from "../../organisation";
import { minuteMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The plan goes beyond what the house rules allow. */
export const beyondHouseLimits: Check = (plan) => {
  const minutes = (plan.endAt - plan.startAt) / minuteMs;
  const broken = brokenLimits(
    { ...standardRules, ...plan.limits },
    { durationMinutes: minutes, houseSize: plan.houseSize, onStage: plan.stagePeople.length },
  )[0];
  if (!broken) return null;
  return finding(
    "beyond-house-limits",
    "not-during-the-hour",
    plan.callAt,
    "plan",
    broken.limit === "house" ? "houseSize" : "durationMinutes",
    { limit: broken.limit, wanted: broken.wanted, most: broken.most },
  );
};
