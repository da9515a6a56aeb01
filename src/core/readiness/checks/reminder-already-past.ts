import { dueAt } from "../../mailings";
import type { Check } from "../plan-facts";

/** The reminder's hour has gone by without it: those who registered earlier get none by themselves. */
export const reminderAlreadyPast: Check = (plan) => {
  const past = plan.reminderOffsetsMinutes.filter((offset) => dueAt(plan.startAt, offset) <= plan.now);
  if (past.length === 0 || plan.remindersSent || plan.now >= plan.startAt) return null;
  return {
    check: "reminder-already-past",
    severity: "worth-a-look",
    byAt: plan.startAt,
    place: "mailings",
    field: "reminders",
    facts: { hours: Math.round(past[0]! / 60) },
  };
};
