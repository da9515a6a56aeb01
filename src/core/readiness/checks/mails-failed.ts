import { finding, type Check } from "../plan-facts";

/** Mails of this event that could not be delivered. */
export const mailsFailed: Check = (plan) => {
  if (plan.mailsFailed === 0) return null;
  return finding("mails-failed", "worth-a-look", plan.startAt, "mailings", "reminders", { count: plan.mailsFailed });
};
