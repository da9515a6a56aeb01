import { phrase, sayEnglish, type Say } from "@/contracts/say";
import type { PollKind, PollPlan } from "@/core/polls";

/** Kinds of a poll's question, as the team reads them. */
export const kindWords: Readonly<Record<PollKind, string>> = {
  "one-choice": phrase("One answer"),
  "several-choices": phrase("Several answers"),
  scale: phrase("Scale"),
  ranking: phrase("Put in order"),
  "open-text": phrase("Free text"),
  quiz: phrase("Quiz"),
  "presence-check": phrase("Presence check"),
};

export const limitsSeconds = [30, 60, 120, 300, 600] as const;
export const limitWords = (seconds: number, say: Say = sayEnglish): string =>
  seconds < 60 ? say`${seconds} s` : say`${seconds / 60} min`;

/** What is set beside the questions: "anonymous · closes after 2 min". */
export function settingWords(poll: PollPlan, say: Say = sayEnglish): string {
  // one answer is what a poll has where nothing else is said
  const kinds = [...new Set(poll.questions.map(({ kind }) => kind))].filter((kind) => kind !== "one-choice");
  return [
    kinds.map((kind) => say.of(kindWords[kind]).toLowerCase()).join(", "),
    poll.isAnonymous ? say`anonymous` : "",
    poll.isLocked ? say`the first answer stays` : "",
    poll.limitSeconds === null ? "" : say`closes after ${limitWords(poll.limitSeconds, say)}`,
    poll.isSample ? say`taken as a sample` : "",
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
export const teamResultWords = (say: Say): ResultWords => ({
  voters: (count) => say`${count} answered`,
  rounded: say`rounded`,
  several: say`shares of those who answered: they need not add up to 100`,
  mean: (mean, median) => say`mean ${mean} · median ${median}`,
  points: (count) => (count === 1 ? say`1 point` : say`${count} points`),
  right: say`right answer`,
  rightOf: (right, of) => say`${right} of ${of} right`,
  yours: say`yours`,
  noVote: say`No vote`,
  noText: say`Nobody has written yet.`,
});
