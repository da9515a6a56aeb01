import { finding, type Check } from "../plan-facts";

/** Sound comes by phone, and the house has no phone number. */
export const phoneWithoutNumber: Check = (plan) => {
  if (plan.soundBy === "computer" || plan.phoneNumberCount > 0) return null;
  return finding("phone-without-number", "not-during-the-hour", plan.callAt, "plan", "soundBy");
};
