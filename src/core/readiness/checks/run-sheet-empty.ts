import { finding, type Check } from "../plan-facts";

/** Nothing is planned for the hour. */
export const runSheetEmpty: Check = (plan) => {
  if (plan.segments.length > 0) return null;
  return finding("run-sheet-empty", "worth-a-look", plan.callAt, "run-sheet", "segments");
};
