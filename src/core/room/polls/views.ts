import { noTally, type PollQuestion, type Tallies, type Tally } from "../../polls";
import type { DirectoryPoll } from "../directory";
import type { Sight } from "../capability";
import type { PollItem, Section, TallyItem } from "../views";
import { pollOf, type PollsState } from "./state";

/** Of the texts that people wrote, so many of the most frequent are shown; all of them are in the file. */
const mostTextsShown = 60;

const shownTally = (question: PollQuestion, tally: Tally): Tally => {
  const counts = Object.entries(tally.counts);
  if (question.kind !== "open-text" || counts.length <= mostTextsShown) return tally;
  return { ...tally, counts: Object.fromEntries(counts.sort(([, a], [, b]) => b - a).slice(0, mostTextsShown)) };
};

function itemOf(
  { own }: Sight<PollsState>,
  poll: DirectoryPoll,
  areRightShown: (isRevealed: boolean) => boolean,
): PollItem {
  const { state, isRevealed, openedAt, closesAt } = pollOf(own, poll.id);
  const { questions, isAnonymous, isLocked, limitSeconds, isSample } = poll;
  const shown = areRightShown(isRevealed) ? questions : questions.map((one) => ({ ...one, rightIds: [] }));
  const settings = { questions: shown, isAnonymous, isLocked, limitSeconds, isSample };
  const isOnPicture = own.onPictureId === poll.id && isRevealed;
  return { ...settings, state, isRevealed, isOnPicture, openedAt, closesAt: closesAt ?? null };
}

export interface PollSight {
  readonly isShown: (item: PollItem) => boolean;
  readonly areVotesShown: (item: PollItem) => boolean;
  /** the right answers of a quiz */
  readonly areRightShown: (isRevealed: boolean) => boolean;
}

/** The polls that somebody may see, and of those the votes that they may see. */
export function pollsFor(sight: Sight<PollsState>, { isShown, areVotesShown, areRightShown }: PollSight) {
  const polls: Record<string, PollItem> = {};
  const tallies: Record<string, TallyItem> = {};
  for (const poll of sight.words.polls.values()) {
    const item = itemOf(sight, poll, areRightShown);
    if (!isShown(item)) continue;
    polls[poll.id] = item;
    const cast: Tallies | undefined = sight.figures.tallies.get(poll.id);
    if (!cast || !areVotesShown(item)) continue;
    const byQuestion = poll.questions.map((one) => [one.id, shownTally(one, cast[one.id] ?? noTally)] as const);
    tallies[poll.id] = { byQuestion: Object.fromEntries(byQuestion) };
  }
  return { polls, tallies } satisfies { polls: Section<PollItem>; tallies: Section<TallyItem> };
}
