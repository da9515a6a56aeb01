import { hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** Somebody of the stage is busy at that hour. */
export const stagePersonBusy: Check = (plan) => {
  const busy = plan.stagePeople.find((one) => one.isBusyThen && one.reply !== "not-coming");
  if (!busy) return null;
  return finding("stage-person-busy", "not-during-the-hour", plan.callAt - 24 * hourMs, "people", "find-a-time", {
    name: busy.name,
  });
};
