import { clockTime, hourMs } from "../../time";
import { finding, type Check } from "../plan-facts";

const nightFrom = "23:00";
const nightUntil = "06:00";

/** For somebody of the stage the call comes at night. */
export const stagePersonAtNight: Check = (plan) => {
  const tired = plan.stagePeople.find((one) => {
    if (!one.zone || one.role === "producer") return false;
    const clock = clockTime(plan.callAt, one.zone);
    return clock >= nightFrom || clock < nightUntil;
  });
  if (!tired) return null;
  return finding("stage-person-at-night", "worth-a-look", plan.callAt - 24 * hourMs, "people", "find-a-time", {
    name: tired.name,
    clock: clockTime(plan.callAt, tired.zone!),
  });
};
