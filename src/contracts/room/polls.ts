import { issue } from "@/core/shared";
import { z } from "zod";
import { id, words } from "./shared";

export const pollsCommands = [
  z.object({
    type: z.literal("polls.add"),
    question: words(300),
    options: z.array(words(200)).min(2, issue("poll-needs-two-answers")).max(20),
  }),
  z.object({ type: z.literal("polls.open"), pollId: id }),
  z.object({ type: z.literal("polls.close"), pollId: id }),
  z.object({ type: z.literal("polls.reveal"), pollId: id }),
  z.object({ type: z.literal("polls.hold-back"), pollId: id }),
] as const;

export const pollsFacts = [
  z.object({ type: z.literal("polls.vote"), pollId: id, optionId: z.string().min(1).max(40) }),
] as const;
