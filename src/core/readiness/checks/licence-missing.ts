import { finding, type Check } from "../plan-facts";

/** The date has no seat licence, or one too small for its house. */
export const licenceMissing: Check = (plan) => {
  if (plan.licenceSizes.length === 0) return null;
  if (plan.licenceSize !== null && plan.licenceSize >= plan.houseSize) return null;
  return finding("licence-missing", "not-during-the-hour", plan.callAt, "plan", "houseSize", {
    houseSize: plan.houseSize,
    size: plan.licenceSize ?? 0,
  });
};
