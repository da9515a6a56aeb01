import { z } from "zod";
import { id } from "./shared";

export const cuesCommands = [
  z.object({ type: z.literal("cues.next"), leavingSegmentId: id.nullable() }),
  z.object({ type: z.literal("cues.jump"), leavingSegmentId: id.nullable(), segmentId: id }),
  z.object({ type: z.literal("cues.back"), leavingSegmentId: id.nullable() }),
] as const;
