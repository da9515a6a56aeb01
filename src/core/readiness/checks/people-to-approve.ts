import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** People who registered and wait for a decision. */
export const peopleToApprove: Check = (plan) => {
  if (plan.pendingRegistrations === 0) return null;
  return finding("people-to-approve", "not-during-the-hour", plan.startAt - hourMs, "front-door", "approval", {
    count: plan.pendingRegistrations,
  });
};
