import type { PlanInput } from "@/contracts";

/** Every week on the first date's weekday, so many times. */
export const weekly = (count: number): NonNullable<PlanInput["rule"]> => ({
  freq: "WEEKLY",
  interval: 1,
  count,
  until: null,
  byMonth: [],
  byMonthDay: [],
  byDay: [],
  wkst: "MO",
});
