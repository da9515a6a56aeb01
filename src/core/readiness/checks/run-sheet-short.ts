import { planRunSheet } from "../../run-sheet";
import { minuteMs } from "../../time";
import { finding, type Check } from "../plan-facts";

/** The segments end well before the date does. */
export const runSheetShort: Check = (plan) => {
  if (plan.segments.length === 0) return null;
  const { segmentsEndAt } = planRunSheet(plan.segments, plan.startAt, plan.endAt);
  const minutes = Math.round((plan.endAt - segmentsEndAt) / minuteMs);
  if (minutes < 10) return null;
  return finding("run-sheet-short", "worth-a-look", plan.callAt, "run-sheet", "segments", { minutes });
};
