/** One line of a one-choice poll's result. */
export interface OptionShare {
  readonly optionId: string;
  readonly votes: number;
  /** whole percentage, rounded half up by itself: equal counts show equal figures */
  readonly percent: number;
  /** the same with one decimal, for files */
  readonly percentForFiles: number;
}

export interface OneChoiceResult {
  readonly options: readonly OptionShare[];
  readonly voters: number;
  /** the shown percentages do not add up to 100: the screen says "rounded" */
  readonly isRounded: boolean;
}

/** Half up, on the exact fraction: 1 of 200 in whole percents is 1, not 0. */
function halfUp(numerator: number, denominator: number, factor: number): number {
  return Math.floor((2 * numerator * factor + denominator) / (2 * denominator));
}

/** Share in percent, rounded half up to whole percents, or to tenths with `decimals: 1`. */
export function share(part: number, whole: number, decimals: 0 | 1 = 0): number {
  if (whole === 0) return 0;
  return decimals === 0 ? halfUp(part, whole, 100) : halfUp(part, whole, 1000) / 10;
}

/** Rule 11, one choice. Options keep their order; ballots for options that are gone do not count. */
export function tallyOneChoice(
  optionIds: readonly string[],
  votesByOption: Readonly<Record<string, number>>,
): OneChoiceResult {
  const votes = optionIds.map((id) => votesByOption[id] ?? 0);
  const voters = votes.reduce((sum, one) => sum + one, 0);
  const options = optionIds.map((optionId, i) => ({
    optionId,
    votes: votes[i]!,
    percent: share(votes[i]!, voters),
    percentForFiles: share(votes[i]!, voters, 1),
  }));
  const shown = options.reduce((sum, one) => sum + one.percent, 0);
  const exact = options.every((one) => one.percent * voters === one.votes * 100);
  return { options, voters, isRounded: voters > 0 && (shown !== 100 || !exact) };
}
