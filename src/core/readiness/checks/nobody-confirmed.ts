import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** Nobody of the stage has said that they come. */
export const nobodyConfirmed: Check = (plan) => {
  const asked = plan.stagePeople.filter((one) => one.role === "panelist" && one.wasInvited);
  if (asked.length === 0 || asked.some((one) => one.reply === "coming")) return null;
  return finding("nobody-confirmed", "not-during-the-hour", plan.callAt - 24 * hourMs, "people", "replies", {
    count: asked.length,
  });
};
