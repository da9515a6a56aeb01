import { issue } from "@/core/shared";
import { z } from "zod";
import { isLocalDateTime, isZone, weekdayCodes } from "@/core/time";

const localMoment = z.string().refine(isLocalDateTime, issue("unreadable-moment"));

/** A change applied to the dates that were marked (rule 2). */
export const extentInput = z.object({
  markedIds: z.array(z.uuid()).min(1, issue("no-date-marked")).max(400),
  change: z.discriminatedUnion("kind", [
    z.object({
      kind: z.literal("move"),
      firstStartLocal: localMoment,
      durationMinutes: z.coerce.number().int().min(5).max(1440).nullable(),
    }),
    z.object({
      kind: z.literal("call-off"),
      /** what those concerned read of it */
      why: z.string().trim().max(500).optional(),
    }),
  ]),
});
export type ExtentInput = z.infer<typeof extentInput>;

/** What a start is tried with against the seat licences. */
export const seatQuestionInput = z.object({
  /** the date that is being moved; null for a new one */
  occurrenceId: z.uuid().nullable(),
  startLocal: localMoment,
  zone: z.string().refine(isZone, issue("unknown-zone")),
  durationMinutes: z.coerce.number().int().min(5).max(1440),
  callMinutes: z.coerce.number().int().min(0).max(240),
  houseSize: z.coerce.number().int().min(1).max(100_000),
});
export type SeatQuestion = z.infer<typeof seatQuestionInput>;

export const rehearsalInput = z.object({
  startLocal: localMoment,
  durationMinutes: z.coerce.number().int().min(5).max(480),
});

export const slotQuestionInput = z.object({
  fromLocal: localMoment,
  untilLocal: localMoment,
  durationMinutes: z.coerce.number().int().min(15).max(600),
  requiredIds: z.array(z.uuid()).max(100),
  /** the days of each person's own week that count as working days */
  workDays: z
    .array(z.enum(weekdayCodes))
    .min(1)
    .max(7)
    .default([...weekdayCodes]),
});
export type SlotQuestion = z.input<typeof slotQuestionInput>;

/** The same before there is an event: about chosen contacts, in the zone that is planned in. */
export const slotQuestionAheadInput = slotQuestionInput.extend({
  zone: z.string().refine(isZone, issue("unknown-zone")),
  personIds: z.array(z.uuid()).min(1).max(100),
});
export type SlotQuestionAhead = z.input<typeof slotQuestionAheadInput>;
