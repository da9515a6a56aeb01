import { z } from "zod";
import { id, words } from "./shared";

const how = z.enum(["aloud", "to-one", "to-all"]);

export const questionsCommands = [
  z.object({
    type: z.literal("questions.ask"),
    text: words(1000),
    segmentId: id.nullable(),
    isAnonymous: z.boolean().optional(),
  }),
  z.object({
    type: z.literal("questions.ask-afterwards"),
    text: words(1000),
    /** where the recording stood, in seconds */
    atSeconds: z.int().min(0).max(1_000_000),
  }),
  z.object({
    type: z.literal("questions.move"),
    questionId: id,
    state: z.enum(["lined-up", "on-stage", "later", "not-taken"]),
    segmentId: id.nullable(),
    /** whom it is lined up for; not named: as it was */
    forId: id.nullable().optional(),
  }),
  z.object({ type: z.literal("questions.show"), questionId: id }),
  z.object({ type: z.literal("questions.merge"), questionId: id, intoId: id }),
  z.object({ type: z.literal("questions.part"), questionId: id }),
  z.object({ type: z.literal("questions.comment"), questionId: id, text: words(500) }),
  z.object({ type: z.literal("questions.remove-comment"), questionId: id, commentId: id }),
  z.object({ type: z.literal("questions.take"), questionId: id, isMine: z.boolean() }),
  z.object({ type: z.literal("questions.answer"), questionId: id, how, text: z.string().trim().max(4000).nullable() }),
] as const;

export const questionsFacts = [
  z.object({ type: z.literal("questions.vote"), questionId: id, isFor: z.boolean() }),
] as const;
