import { z } from "zod";
import { isLocalDateTime, isZone } from "@/core/time";
import { ruleInput } from "./plan-input";

/** Hours given out in slots, as the form sends them. */
export const slotPlanInput = z
  .object({
    title: z.string().trim().min(1, "The slots need a title.").max(200),
    startLocal: z.string().refine(isLocalDateTime, "The first day and hour cannot be read."),
    untilClock: z.string().regex(/^([01]\d|2[0-3]):[0-5]\d$/, "The last hour is written as in: 17:00."),
    zone: z.string().refine(isZone, "This time zone is unknown."),
    lengthMinutes: z.coerce.number().int().min(5, "At least 5 minutes.").max(480),
    pauseMinutes: z.coerce.number().int().min(0).max(240),
    capacity: z.coerce.number().int().min(1, "At least one person.").max(500),
    rule: ruleInput.nullable(),
    /** the event whose stage these tech checks are for; null: open hours for anybody */
    forEventId: z.uuid().nullable(),
  })
  .refine((plan) => plan.startLocal.slice(11, 16) < plan.untilClock, {
    path: ["untilClock"],
    message: "The last hour comes before the first.",
  });
export type SlotPlanInput = z.infer<typeof slotPlanInput>;

export const bookingInput = z.object({ startAt: z.coerce.number().int() });
