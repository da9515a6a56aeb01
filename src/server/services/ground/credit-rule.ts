import type { CreditRule } from "@/core/attendance";
import type { events } from "../../db/schema";

type Set = Pick<
  typeof events.$inferSelect,
  "creditPoints" | "creditThresholdPercent" | "creditChecks" | "creditIsPartial"
>;

/** What an event gives for being there; null where it gives nothing. */
export const creditRuleOf = (event: Set): CreditRule | null =>
  event.creditPoints === null
    ? null
    : {
        points: event.creditPoints,
        thresholdPercent: event.creditThresholdPercent,
        checks: event.creditChecks,
        isPartial: event.creditIsPartial,
      };
