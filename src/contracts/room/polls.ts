import { z } from "zod";
import { readyPollInput } from "../poll-input";
import { id } from "./shared";

export const pollsCommands = [
  z.object({ type: z.literal("polls.add"), poll: readyPollInput }),
  z.object({ type: z.literal("polls.edit"), pollId: id, poll: readyPollInput }),
  z.object({ type: z.literal("polls.remove"), pollId: id }),
  z.object({ type: z.literal("polls.open"), pollId: id }),
  z.object({ type: z.literal("polls.close"), pollId: id }),
  z.object({ type: z.literal("polls.reveal"), pollId: id }),
  z.object({ type: z.literal("polls.hold-back"), pollId: id }),
  z.object({ type: z.literal("polls.show"), pollId: id, isOnPicture: z.boolean() }),
] as const;

const choice = z.array(z.string().min(1).max(400)).max(20);
export const pollsFacts = [
  z.object({
    type: z.literal("polls.vote"),
    pollId: id,
    /** by question */
    answers: z.record(z.string().min(1).max(40), choice),
  }),
] as const;
