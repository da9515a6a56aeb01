/** Where in the player's own time a piece begins, and the instant that it shows there. */
export interface Mark {
  readonly fromSeconds: number;
  readonly at: number;
}
const mostMarks = 40;
/** beyond the last piece's usual length its mark says nothing any more */
const longestSeconds = 15;

export const withMark = (marks: readonly Mark[], mark: Mark): readonly Mark[] => [...marks, mark].slice(-mostMarks);

/** The instant at a place of the player; null before the first mark, or far behind the last. */
export function instantOf(marks: readonly Mark[], atSeconds: number): number | null {
  const mark = marks.findLast(({ fromSeconds }) => fromSeconds <= atSeconds);
  if (!mark || atSeconds - mark.fromSeconds > longestSeconds) return null;
  return mark.at + (atSeconds - mark.fromSeconds) * 1000;
}
