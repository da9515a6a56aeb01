import { z } from "zod";
import { mostBelowDb, mostHandOverSeconds } from "@/core/room";
import { languageTag } from "./shared";

export const channelsCommands = [
  z.object({ type: z.literal("channels.open-microphone"), language: languageTag }),
  z.object({ type: z.literal("channels.close-microphone") }),
  z.object({
    type: z.literal("channels.take-over"),
    language: languageTag,
    inSeconds: z.int().min(0).max(mostHandOverSeconds),
  }),
  z.object({ type: z.literal("channels.agree"), language: languageTag }),
  z.object({ type: z.literal("channels.call-off"), language: languageTag }),
  z.object({ type: z.literal("channels.work-from"), language: languageTag.nullable() }),
  z.object({ type: z.literal("channels.listen"), language: languageTag.nullable() }),
  z.object({ type: z.literal("channels.close"), language: languageTag }),
  z.object({ type: z.literal("channels.lower-floor"), belowDb: z.int().min(0).max(mostBelowDb) }),
] as const;
