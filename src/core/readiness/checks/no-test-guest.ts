import type { Check } from "../plan-facts";

/** Nobody has walked the way in as a guest would. */
export const noTestGuest: Check = (plan) =>
  plan.hasTestGuestWalkedIn
    ? null
    : {
        check: "no-test-guest",
        severity: "worth-a-look",
        byAt: plan.callAt,
        place: "front-door",
        field: "test-guest",
        facts: {},
      };
