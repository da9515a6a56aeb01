import { hourMs } from "../../time";
import type { Check } from "../plan-facts";

/** Panelists whose invitation was never sent. */
export const panelistNotInvited: Check = (plan) => {
  const count = plan.stagePeople.filter((person) => person.role === "panelist" && !person.wasInvited).length;
  if (count === 0) return null;
  const byAt = plan.callAt - 24 * hourMs;
  return {
    check: "panelist-not-invited",
    severity: "stops-the-show",
    byAt,
    place: "people",
    field: "invite",
    facts: { count },
  };
};
