import type { Check } from "../plan-facts";

/** Nobody to be heard: no panelist among the people. */
export const noPanelist: Check = (plan) =>
  plan.stagePeople.some((person) => person.role === "panelist")
    ? null
    : {
        check: "no-panelist",
        severity: "stops-the-show",
        byAt: plan.callAt,
        place: "people",
        field: "add-person",
        facts: {},
      };
