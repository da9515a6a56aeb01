import type { CueMark } from "../room";
import type { PlayedSpan } from "./attendance-report";

/** When each segment was on: from its cue to the next, the last until the date's end. */
export function playedSegments(cues: readonly CueMark[], endedAt: number): readonly PlayedSpan[] {
  return cues
    .map((cue, i) => ({
      segmentId: cue.segmentId,
      startAt: cue.at,
      endAt: Math.max(cue.at, cues[i + 1]?.at ?? endedAt),
    }))
    .filter((span) => span.endAt > span.startAt);
}
