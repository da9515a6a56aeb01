import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The public page has a title and no words. */
export const noDescription: Check = (plan) => {
  if (plan.hasDescription) return null;
  return finding("no-description", "worth-a-look", plan.startAt - 24 * hourMs, "plan", "description");
};
