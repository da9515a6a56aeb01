import { finding, type Check } from "../plan-facts";

/** A part of the agenda lies outside the date's hours. */
export const partOutsideTheDate: Check = (plan) => {
  const outside = plan.parts.find((part) => part.startAt < plan.startAt || part.endAt > plan.endAt);
  if (!outside) return null;
  return finding("part-outside-the-date", "worth-a-look", plan.startAt, "run-sheet", "parts", { title: outside.title });
};
