import { planRunSheet } from "../../run-sheet";
import { minuteMs } from "../../time";
import type { Check } from "../plan-facts";

/** The segments end after the date does. */
export const runSheetOverTheHour: Check = (plan) => {
  const { segmentsEndAt } = planRunSheet(plan.segments, plan.startAt, plan.endAt);
  const minutes = Math.round((segmentsEndAt - plan.endAt) / minuteMs);
  if (minutes <= 0) return null;
  return {
    check: "run-sheet-over-the-hour",
    severity: "worth-a-look",
    byAt: plan.startAt,
    place: "run-sheet",
    field: "segments",
    facts: { minutes },
  };
};
