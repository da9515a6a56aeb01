import {
  noVote,
  plainPoll,
  presenceOptions,
  scaleOptions,
  type PollKind,
  type PollPlan,
  type PollQuestion,
} from "../../src/core/polls";
import { chooseAnswer } from "../../src/core/crowd";
import { minuteMs } from "../../src/core/time";
import type { Db } from "../../src/server/db/client";
import { ballots } from "../../src/server/db/schema";
import type { Chance } from "./chance";
import { inChunks } from "./in-chunks";

const options = (...labels: string[]) => labels.map((label, i) => ({ id: `o${i + 1}`, label }));
const ask = (kind: PollKind, text: string, part: Partial<PollQuestion> = {}): PollQuestion => ({
  id: "q1",
  kind,
  text,
  options: [],
  rightIds: [],
  ...part,
});

/** One poll of every kind, as a winter's evening may have them. */
export const demoPolls: readonly PollPlan[] = [
  {
    ...plainPoll,
    questions: [
      ask("one-choice", "How many birds were on your site this winter?", {
        options: [...options("More than last year", "About the same", "Fewer"), noVote],
      }),
    ],
  },
  {
    ...plainPoll,
    isAnonymous: true,
    questions: [
      ask("several-choices", "What made your count hard?", {
        options: options("Fog", "Dogs", "The tide", "Cold hands"),
      }),
      ask("scale", "How sure are you of your figures?", { id: "q2", options: scaleOptions("1-5") }),
    ],
  },
  {
    ...plainPoll,
    questions: [
      ask("ranking", "What should we do first next season?", {
        options: options("New telescopes", "Boardwalk repairs", "A second hide", "Training days"),
      }),
    ],
  },
  {
    ...plainPoll,
    isLocked: true,
    limitSeconds: 60,
    questions: [
      ask("quiz", "Which of these has the longest bill?", {
        options: options("Dunlin", "Curlew", "Knot"),
        rightIds: ["o2"],
      }),
    ],
  },
  { ...plainPoll, questions: [ask("open-text", "One word for this evening")] },
  {
    ...plainPoll,
    limitSeconds: 120,
    questions: [ask("presence-check", "Are you still with us?", { options: presenceOptions })],
  },
];

export const demoWords = [
  "Tides",
  "tides",
  "Hopeful",
  "Muddy",
  "hopeful",
  "Wind",
  "Together",
  "Curlews",
  "muddy",
  "Quiet",
];

export interface PlacedPoll extends PollPlan {
  readonly id: string;
}

/** Ballots of some of those who were there while each poll was open. */
export async function castDemoBallots(
  db: Db,
  chance: Chance,
  organisationId: string,
  polls: readonly PlacedPoll[],
  openedAt: (position: number) => number,
  present: (at: number) => readonly string[],
): Promise<void> {
  const cast = polls.flatMap((poll, position) =>
    present(openedAt(position) + minuteMs)
      .filter(() => chance.next() < 0.68)
      .flatMap((ticketId) => {
        const at = openedAt(position) + chance.between(5_000, Math.min(poll.limitSeconds ?? 170, 170) * 1000);
        const about = { pollId: poll.id, ticketId, organisationId, at };
        return poll.questions.map((question) => ({
          ...about,
          questionId: question.id,
          choice: chooseAnswer(chance, question, demoWords),
        }));
      }),
  );
  await inChunks(cast, (chunk) => db.insert(ballots).values(chunk));
}
