import { issue } from "@/core/shared";
import { z } from "zod";
import { isLocalDateTime, isZone } from "@/core/time";
import { ruleInput } from "./plan-input";

/** Hours given out in slots, as the form sends them. */
export const slotPlanInput = z
  .object({
    title: z.string().trim().min(1, issue("slots-untitled")).max(200),
    startLocal: z.string().refine(isLocalDateTime, issue("unreadable-first-moment")),
    untilClock: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, issue("not-a-last-hour")),
    zone: z.string().refine(isZone, issue("unknown-zone")),
    lengthMinutes: z.coerce.number().int().min(5, issue("too-short-a-time")).max(480),
    pauseMinutes: z.coerce.number().int().min(0).max(240),
    capacity: z.coerce.number().int().min(1, issue("no-person-at-all")).max(500),
    rule: ruleInput.nullable(),
    /** the event whose stage these tech checks are for; null: open hours for anybody */
    forEventId: z.uuid().nullable(),
  })
  .refine((plan) => plan.startLocal.slice(11, 16) < plan.untilClock, {
    path: ["untilClock"],
    message: issue("last-before-first"),
  });
export type SlotPlanInput = z.infer<typeof slotPlanInput>;

export const bookingInput = z.object({ startAt: z.coerce.number().int() });
