import type { CurveStep } from "@/core/attendance";

/** How many were there at an instant. */
export function houseAt(steps: readonly CurveStep[], at: number): number {
  let [low, high] = [0, steps.length];
  while (low < high) {
    const middle = (low + high) >> 1;
    if (steps[middle]!.at <= at) low = middle + 1;
    else high = middle;
  }
  return low === 0 ? 0 : steps[low - 1]!.count;
}

export interface Block {
  readonly id: string;
  readonly title: string;
  readonly startAt: number;
  readonly endAt: number;
}
/** What was on at an instant; "" between segments. */
export const onAt = (blocks: readonly Block[], at: number): string =>
  blocks.find((one) => one.startAt <= at && at < one.endAt)?.title ?? "";

/** Where a pointer stands, as an instant; never beyond the ends. */
export const instantAt = (x: number, width: number, from: number, to: number): number =>
  // whole milliseconds: an instant is told by the clock
  Math.round(from + Math.min(1, Math.max(0, x / Math.max(1, width))) * (to - from));

/** A stretch however it was dragged; null for one too short to be meant. */
export function stretchBetween(a: number, b: number, leastMs: number): { from: number; to: number } | null {
  const [from, to] = a < b ? [a, b] : [b, a];
  return to - from < leastMs ? null : { from, to };
}
