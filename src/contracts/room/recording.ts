import { recordingWays } from "@/core/room";
import { z } from "zod";

export const recordingCommands = [
  z.object({ type: z.literal("recording.ask") }),
  z.object({ type: z.literal("recording.agree") }),
  z.object({ type: z.literal("recording.begin"), way: z.enum(recordingWays) }),
  z.object({ type: z.literal("recording.pause") }),
  z.object({ type: z.literal("recording.resume") }),
  z.object({ type: z.literal("recording.stop") }),
] as const;
