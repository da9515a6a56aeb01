import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The date falls on a public holiday of the zone's country. */
export const publicHoliday: Check = (plan) => {
  if (!plan.holiday) return null;
  return finding("public-holiday", "worth-a-look", plan.startAt - 7 * 24 * hourMs, "plan", "startLocal", {
    holiday: plan.holiday,
  });
};
