import { hourMs } from "../../time";
import type { Check } from "../plan-facts";

/** The front door is still closed to the public: nobody can register. */
export const notPublished: Check = (plan) =>
  plan.isPublished
    ? null
    : {
        check: "not-published",
        severity: "stops-the-show",
        byAt: plan.startAt - 24 * hourMs,
        place: "front-door",
        field: "publish",
        facts: {},
      };
