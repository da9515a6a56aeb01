/** Half-open `[start, end)`, in milliseconds. */
export interface Interval {
  readonly start: number;
  readonly end: number;
}

/** Sorted by start, disjoint, none empty, none touching. */
export type IntervalSet = readonly Interval[];

/** A reversed interval is a fault of its maker and is refused, never reordered. */
function assertForward({ start, end }: Interval): void {
  if (!(start <= end)) throw new RangeError(`interval ends before it starts: ${start}..${end}`);
}

/**
 * The union as an interval set. Gaps of at most `closeGaps` milliseconds are closed as well.
 * Empty intervals vanish. O(n log n).
 */
export function unionOf(intervals: readonly Interval[], closeGaps = 0): IntervalSet {
  intervals.forEach(assertForward);
  const sorted = intervals.filter((one) => one.start < one.end).sort((a, b) => a.start - b.start);
  const out: { start: number; end: number }[] = [];
  for (const one of sorted) {
    const last = out.at(-1);
    if (last && one.start - last.end <= closeGaps) last.end = Math.max(last.end, one.end);
    else out.push({ start: one.start, end: one.end });
  }
  return out;
}

/** What both sets cover. O(n + m). */
export function intersectionOf(a: IntervalSet, b: IntervalSet): IntervalSet {
  const out: Interval[] = [];
  let i = 0;
  let j = 0;
  while (i < a.length && j < b.length) {
    const left = a[i]!;
    const right = b[j]!;
    const start = Math.max(left.start, right.start);
    const end = Math.min(left.end, right.end);
    if (start < end) out.push({ start, end });
    if (left.end < right.end) i += 1;
    else j += 1;
  }
  return out;
}

/** What `a` covers and `b` does not. O(n + m). */
export function differenceOf(a: IntervalSet, b: IntervalSet): IntervalSet {
  const out: Interval[] = [];
  let from = 0;
  for (const one of a) {
    let start = one.start;
    while (from < b.length && b[from]!.end <= start) from += 1;
    for (let k = from; k < b.length && b[k]!.start < one.end; k += 1) {
      if (b[k]!.start > start) out.push({ start, end: b[k]!.start });
      start = Math.max(start, b[k]!.end);
    }
    if (start < one.end) out.push({ start, end: one.end });
  }
  return out;
}

/** Total length in milliseconds. */
export const lengthOf = (set: IntervalSet): number => set.reduce((sum, one) => sum + one.end - one.start, 0);

/** Whether the instant lies inside; the end does not. */
export const covers = (set: IntervalSet, at: number): boolean => set.some((one) => one.start <= at && at < one.end);

/** Whether the set has anything in common with the interval. */
export const touches = (set: IntervalSet, span: Interval): boolean =>
  set.some((one) => one.start < span.end && span.start < one.end);
