import { lengthOf, unionOf, type Interval } from "../time";

/** One stretch that was played without a jump, in seconds of the recording. */
export interface Play {
  readonly fromSeconds: number;
  readonly toSeconds: number;
}

/** From this share of a recording on somebody has watched it (rule 14). */
export const completeFrom = 0.9;

/** Within the recording, forward, not empty; a player's last second may lie a little beyond the end. */
function within(plays: readonly Play[], durationSeconds: number): readonly Interval[] {
  return plays
    .map(({ fromSeconds, toSeconds }) => ({
      start: Math.max(0, Math.min(fromSeconds, durationSeconds)),
      end: Math.max(0, Math.min(toSeconds, durationSeconds)),
    }))
    .filter(({ start, end }) => start < end);
}

export interface Watched {
  readonly seconds: number;
  /** 0 to 1 */
  readonly coverage: number;
  readonly isComplete: boolean;
  /** the furthest second that was played */
  readonly furthestSeconds: number;
}

/** What one viewer has seen: each second once, however often it was played, none that was jumped over (rule 14). */
export function watchedOf(plays: readonly Play[], durationSeconds: number): Watched {
  const played = within(plays, durationSeconds);
  const seconds = lengthOf(unionOf(played));
  const coverage = durationSeconds > 0 ? seconds / durationSeconds : 0;
  return {
    seconds,
    coverage,
    isComplete: coverage >= completeFrom,
    furthestSeconds: Math.max(0, ...played.map(({ end }) => end)),
  };
}

/**
 * How often each stretch of the recording was played, over all viewers: plays a second (rule 14).
 * @returns `bins` figures, evenly over the recording; a stretch of which half was played once has 0.5
 */
export function heatOf(plays: readonly Play[], durationSeconds: number, bins: number): readonly number[] {
  const out = Array.from({ length: bins }, () => 0);
  if (durationSeconds <= 0) return out;
  const width = durationSeconds / bins;
  for (const { start, end } of within(plays, durationSeconds)) {
    const last = Math.min(bins - 1, Math.floor(end / width));
    for (let bin = Math.floor(start / width); bin <= last; bin += 1) {
      const overlap = Math.min(end, (bin + 1) * width) - Math.max(start, bin * width);
      if (overlap > 0) out[bin]! += overlap / width;
    }
  }
  return out;
}

/**
 * The share of viewers whose furthest watched second is at or behind each of so many instants, evenly from the beginning
 * to the end (rule 14). Empty where nobody watched.
 */
export function dropOff(
  furthestSeconds: readonly number[],
  durationSeconds: number,
  points: number,
): readonly { readonly atSeconds: number; readonly share: number }[] {
  if (furthestSeconds.length === 0) return [];
  const sorted = [...furthestSeconds].sort((a, b) => a - b);
  let before = 0;
  return Array.from({ length: points }, (_, i) => {
    const atSeconds = (durationSeconds * i) / Math.max(1, points - 1);
    while (before < sorted.length && sorted[before]! < atSeconds) before += 1;
    return { atSeconds, share: (sorted.length - before) / sorted.length };
  });
}

/** What came of a recording, with the figures that each share rests on. */
export interface Watching {
  readonly knownCount: number;
  readonly browserCount: number;
  readonly viewCount: number;
  readonly completeCount: number;
  /** mean over all viewers; null where there is none */
  readonly meanCoverage: number | null;
  readonly heat: readonly number[];
  readonly dropOff: readonly { readonly atSeconds: number; readonly share: number }[];
}
