import { touches, type Interval, type IntervalSet } from "../time";
import { share } from "./share";

export interface Turnout {
  readonly voters: number;
  readonly eligible: number;
  readonly abstained: number;
  readonly percent: number;
}

/**
 * Turnout = voters / attendees present at any time while the poll was open; one that was opened again was open in
 * several spans. A ballot proves presence,
 * so a voter whose connection was never recorded still stands in the base.
 */
export function turnoutOf(
  presence: ReadonlyMap<string, IntervalSet>,
  voterIds: ReadonlySet<string>,
  openSpans: readonly Interval[],
): Turnout {
  const eligible = new Set(voterIds);
  for (const [person, intervals] of presence)
    if (openSpans.some((span) => touches(intervals, span))) eligible.add(person);
  return {
    voters: voterIds.size,
    eligible: eligible.size,
    abstained: eligible.size - voterIds.size,
    percent: share(voterIds.size, eligible.size),
  };
}
