import type { FactBody, PollPlanInput } from "@/contracts";
import { plainPoll } from "@/core/polls";

/** A poll of one question with one answer, as a screen sends it: answers get the ids o1, o2, … */
export const onePoll = (text: string, labels: readonly string[]): PollPlanInput => ({
  ...plainPoll,
  questions: [
    {
      id: "q1",
      kind: "one-choice",
      text,
      options: labels.map((label, i) => ({ id: `o${i + 1}`, label })),
      rightIds: [],
    },
  ],
});

/** A ballot for one answer of such a poll. */
export const oneVote = (pollId: string, optionId: string): Extract<FactBody, { type: "polls.vote" }> => ({
  type: "polls.vote",
  pollId,
  answers: { q1: [optionId] },
});
