import { finding, type Check } from "../plan-facts";

/** A request for more seats has no answer yet. */
export const seatRequestOpen: Check = (plan) => {
  if (plan.openSeatRequests === 0) return null;
  return finding("seat-request-open", "not-during-the-hour", plan.callAt, "plan", "houseSize", {
    count: plan.openSeatRequests,
  });
};
