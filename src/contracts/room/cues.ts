import { z } from "zod";
import { cardKinds } from "@/core/room";
import { id } from "./shared";

export const cuesCommands = [
  z.object({ type: z.literal("cues.next"), leavingSegmentId: id.nullable() }),
  z.object({ type: z.literal("cues.jump"), leavingSegmentId: id.nullable(), segmentId: id }),
  z.object({ type: z.literal("cues.back"), leavingSegmentId: id.nullable() }),
  z.object({ type: z.literal("cues.show-card"), card: z.enum(cardKinds) }),
  z.object({ type: z.literal("cues.take-card-down") }),
  z.object({
    type: z.literal("cues.set-lengths"),
    lengths: z
      .array(z.object({ segmentId: id, minutes: z.int().min(1).max(1440) }))
      .min(1)
      .max(100),
  }),
  z.object({ type: z.literal("cues.skip"), segmentId: id, isSkipped: z.boolean() }),
] as const;
