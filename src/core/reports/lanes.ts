/** What can be laid under the house curve, each in a lane of its own. */
export const laneKinds = [
  "questions",
  "votes",
  "hands",
  "floor",
  "chat",
  "signals",
  "polls",
  "entries",
  "leavings",
  "mails",
  "watched",
] as const;
export type LaneKind = (typeof laneKinds)[number];

/** How often something happened, in equal steps of the time shown. */
export interface Lane {
  readonly kind: LaneKind;
  readonly counts: readonly number[];
  readonly total: number;
  readonly highest: number;
}

/** @param moments instants, in any order; those outside the time shown are left out */
export function laneOf(kind: LaneKind, moments: readonly number[], from: number, to: number, steps: number): Lane {
  const counts = new Array<number>(steps).fill(0);
  let total = 0;
  for (const at of moments) {
    if (at < from || at >= to) continue;
    counts[Math.min(steps - 1, Math.floor(((at - from) / (to - from)) * steps))]! += 1;
    total += 1;
  }
  return { kind, counts, total, highest: Math.max(0, ...counts) };
}

/**
 * The recording's heat in the time of the hour: a recording's own seconds laid where they were live.
 * @param heat plays in equal steps of the recording
 * @param startAt when its first second was live
 */
export function heatLane(
  heat: readonly number[],
  recording: { readonly startAt: number; readonly durationSeconds: number },
  from: number,
  to: number,
  steps: number,
): Lane {
  const counts = new Array<number>(steps).fill(0);
  const stepMs = (to - from) / steps;
  for (let i = 0; i < steps; i += 1) {
    const seconds = (from + (i + 0.5) * stepMs - recording.startAt) / 1000;
    if (seconds < 0 || seconds >= recording.durationSeconds) continue;
    counts[i] = heat[Math.min(heat.length - 1, Math.floor((seconds / recording.durationSeconds) * heat.length))] ?? 0;
  }
  const highest = Math.max(0, ...counts);
  return { kind: "watched", counts, total: highest, highest };
}
