import { z } from "zod";
import { id, words } from "./shared";

const how = z.enum(["aloud", "to-one", "to-all"]);

export const questionsCommands = [
  z.object({ type: z.literal("questions.ask"), text: words(1000), segmentId: id.nullable() }),
  z.object({
    type: z.literal("questions.move"),
    questionId: id,
    state: z.enum(["lined-up", "on-stage", "later", "not-taken"]),
    segmentId: id.nullable(),
  }),
  z.object({ type: z.literal("questions.take"), questionId: id, isMine: z.boolean() }),
  z.object({ type: z.literal("questions.answer"), questionId: id, how, text: z.string().trim().max(4000).nullable() }),
] as const;

export const questionsFacts = [
  z.object({ type: z.literal("questions.vote"), questionId: id, isFor: z.boolean() }),
] as const;
