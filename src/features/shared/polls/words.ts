import type { PollKind, PollPlan } from "@/core/polls";

/** Kinds of a poll's question, as the team reads them. */
export const kindWords: Readonly<Record<PollKind, string>> = {
  "one-choice": "One answer",
  "several-choices": "Several answers",
  scale: "Scale",
  ranking: "Put in order",
  "open-text": "Free text",
  quiz: "Quiz",
  "presence-check": "Presence check",
};

export const limitsSeconds = [30, 60, 120, 300, 600] as const;
export const limitWords = (seconds: number): string => (seconds < 60 ? `${seconds} s` : `${seconds / 60} min`);

/** What is set beside the questions: "anonymous · closes after 2 min". */
export function settingWords(poll: PollPlan): string {
  // one answer is what a poll has where nothing else is said
  const kinds = [...new Set(poll.questions.map(({ kind }) => kind))].filter((kind) => kind !== "one-choice");
  return [
    kinds.map((kind) => kindWords[kind].toLowerCase()).join(", "),
    poll.isAnonymous ? "anonymous" : "",
    poll.isLocked ? "the first answer stays" : "",
    poll.limitSeconds === null ? "" : `closes after ${limitWords(poll.limitSeconds)}`,
    poll.isSample ? "taken as a sample" : "",
  ]
    .filter(Boolean)
    .join(" · ");
}

/** What the lines of a result are called where they are shown. */
export interface ResultWords {
  readonly voters: (count: number) => string;
  readonly rounded: string;
  readonly several: string;
  readonly mean: (mean: string, median: string) => string;
  readonly points: (count: number) => string;
  readonly right: string;
  readonly rightOf: (right: number, of: number) => string;
  readonly yours: string;
  readonly noVote: string;
  readonly noText: string;
}
export const teamResultWords: ResultWords = {
  voters: (count) => `${count} answered`,
  rounded: "rounded",
  several: "shares of those who answered: they need not add up to 100",
  mean: (mean, median) => `mean ${mean} · median ${median}`,
  points: (count) => `${count} ${count === 1 ? "point" : "points"}`,
  right: "right answer",
  rightOf: (right, of) => `${right} of ${of} right`,
  yours: "yours",
  noVote: "No vote",
  noText: "Nobody has written yet.",
};
