import { finding, type Check } from "../plan-facts";

/** Somebody who leads a segment has said that they do not come. */
export const leaderNotComing: Check = (plan) => {
  const gone = plan.stagePeople.find((one) => one.reply === "not-coming" && one.leadsSegments > 0);
  if (!gone) return null;
  return finding("leader-not-coming", "stops-the-show", plan.callAt, "run-sheet", "segments", { name: gone.name });
};
