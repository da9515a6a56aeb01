import { fewestOptions, noVoteId, plainPoll, pollKinds, type PollQuestion } from "@/core/polls";
import { issue, type IssueCode } from "@/core/shared";
import { z } from "zod";

const optionInput = z.object({
  id: z.string().min(1).max(40),
  label: z.string().trim().min(1, issue("answer-empty")).max(200),
});

/** Answers that a reader could not tell apart. */
export const areSame = (a: string, b: string): boolean =>
  a.normalize("NFC").trim().toLowerCase() === b.normalize("NFC").trim().toLowerCase();
function twice({ options }: PollQuestion): number {
  return options.findIndex((option, i) => options.slice(0, i).some((earlier) => areSame(earlier.label, option.label)));
}

/** What a question of a poll lacks before it can be put to people. */
function lacks(question: PollQuestion): { path: string; code: IssueCode } | null {
  const { kind, options, rightIds } = question;
  if (options.filter(({ id }) => id !== noVoteId).length < fewestOptions(kind))
    return { path: "options", code: "poll-needs-two-answers" };
  if (kind === "quiz" && rightIds.length === 0) return { path: "rightIds", code: "poll-needs-right-answer" };
  return null;
}

export const pollQuestionInput = z
  .object({
    id: z.string().min(1).max(40),
    kind: z.enum(pollKinds),
    text: z.string().trim().min(1, issue("poll-without-question")).max(300),
    options: z.array(optionInput).max(20),
    rightIds: z.array(z.string().max(40)).max(20).default([]),
  })
  .superRefine((question, context) => {
    const at = twice(question);
    if (at >= 0)
      context.addIssue({ code: "custom", path: ["options", at, "label"], message: issue("poll-same-answer-twice") });
  });

const settings = {
  isAnonymous: z.boolean().default(plainPoll.isAnonymous),
  isLocked: z.boolean().default(plainPoll.isLocked),
  limitSeconds: z.int().min(10, issue("poll-limit")).max(3600, issue("poll-limit")).nullable().default(null),
  isSample: z.boolean().default(plainPoll.isSample),
};
const questions = z.array(pollQuestionInput).min(1).max(10, issue("too-many-poll-questions"));

/** A poll as a sheet keeps it: it may still lack answers. */
export const pollPlanInput = z.object({ questions, ...settings });
/** A poll that is put to people: nothing is missing. */
export const readyPollInput = pollPlanInput.superRefine((poll, context) => {
  poll.questions.forEach((question, i) => {
    const missing = lacks(question);
    if (missing)
      context.addIssue({ code: "custom", path: ["questions", i, missing.path], message: issue(missing.code) });
  });
});
export const pollInput = pollPlanInput.extend({ id: z.uuid() });
export type PollPlanInput = z.infer<typeof pollPlanInput>;
