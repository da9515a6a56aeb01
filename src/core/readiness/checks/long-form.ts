import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

const many = 6;

/** The registration form asks so much that people give up. */
export const longForm: Check = (plan) => {
  if (plan.formFieldCount < many) return null;
  return finding("long-form", "worth-a-look", plan.startAt - 24 * hourMs, "front-door", "formFields", {
    count: plan.formFieldCount,
  });
};
