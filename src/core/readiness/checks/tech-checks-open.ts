import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** Stage people who have not tried sound and picture yet, three days ahead or less. */
export const techChecksOpen: Check = (plan) => {
  const open = plan.stagePeople.filter(
    (one) => one.role === "panelist" && one.wasInvited && one.reply !== "not-coming" && !one.hasTechCheck,
  );
  if (open.length === 0 || plan.callAt - plan.now > 72 * hourMs) return null;
  return finding("tech-checks-open", "not-during-the-hour", plan.callAt, "people", "tech-checks", {
    count: open.length,
  });
};
