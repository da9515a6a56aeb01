import { finding, type Check } from "../plan-facts";

/** Many more may register than the house holds. */
export const limitFarBeyondHouse: Check = (plan) => {
  if (plan.registrationLimit === null || plan.registrationLimit <= plan.houseSize * 3) return null;
  return finding("limit-far-beyond-house", "worth-a-look", plan.startAt, "plan", "registrationLimit", {
    limit: plan.registrationLimit,
    houseSize: plan.houseSize,
  });
};
