import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The invitation's saved words have lost the join details. */
export const joinBlockMissing: Check = (plan) => {
  if (plan.invitationHasJoinBlock) return null;
  return finding("join-block-missing", "stops-the-show", plan.startAt - 24 * hourMs, "mailings", "invitation");
};
