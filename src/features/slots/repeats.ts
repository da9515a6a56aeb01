import type { SlotPlanInput } from "@/contracts";
import { dayOfLocal, weekdayOf } from "@/core/time";

export type Repeat = "once" | "DAILY" | "WEEKLY";
type Rule = SlotPlanInput["rule"];

/** How often a rule of the form comes again. */
export const repeatOf = (rule: Rule): Repeat => (rule === null ? "once" : rule.freq === "WEEKLY" ? "WEEKLY" : "DAILY");

/** The rule of so many times from a first moment; a weekly one on that moment's day of the week. */
export function ruleFor(repeat: Repeat, count: number, startLocal: string): Rule {
  if (repeat === "once") return null;
  const byDay = repeat === "WEEKLY" ? [{ weekday: weekdayOf(dayOfLocal(startLocal)), ordinal: null }] : [];
  return { freq: repeat, interval: 1, count, until: null, byMonth: [], byMonthDay: [], byDay, wkst: "MO" };
}
