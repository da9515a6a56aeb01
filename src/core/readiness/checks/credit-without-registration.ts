import { finding, type Check } from "../plan-facts";

/** Credit is promised, but nobody registers: there is no one to give it to. */
export const creditWithoutRegistration: Check = (plan) => {
  if (plan.creditPoints === null || plan.entryBy === "registration") return null;
  return finding("credit-without-registration", "not-during-the-hour", plan.startAt, "plan", "entryBy", {
    points: plan.creditPoints,
  });
};
