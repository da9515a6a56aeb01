import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** Invited stage people who have not answered, two days ahead or less. */
export const repliesOutstanding: Check = (plan) => {
  const open = plan.stagePeople.filter((one) => one.role !== "producer" && one.wasInvited && one.reply === null);
  const hasSomeone = plan.stagePeople.some((one) => one.role === "panelist" && one.reply === "coming");
  if (open.length === 0 || !hasSomeone || plan.callAt - plan.now > 48 * hourMs) return null;
  return finding("replies-outstanding", "worth-a-look", plan.callAt, "people", "replies", { count: open.length });
};
