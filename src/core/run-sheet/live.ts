import { minuteMs } from "../time";
import type { TimedSegment } from "./timing";

export interface LiveClock {
  /** minutes the current segment has run past its length; negative while it has time left */
  readonly currentOverMinutes: number;
  readonly projectedEndAt: number;
  /** projected end − planned end, in minutes: positive is over */
  readonly overMinutes: number;
  /** the next segment with a fixed start, and by how much it will be missed; null where none is ahead */
  readonly nextFixed: { readonly segmentId: string; readonly startAt: number; readonly overMinutes: number } | null;
}

/** Where the hour stands: the segment on now and when its cue was given. */
export interface CuePosition {
  readonly segmentId: string;
  readonly cuedAt: number;
}

/**
 * Rule 10, live: projected end = now + what is left of the current segment + the lengths of the rest,
 * each starting at max(previous end, its fixed start).
 * @returns null when the cue names a segment that the run sheet no longer has.
 */
export function liveClock(
  segments: readonly TimedSegment[],
  position: CuePosition,
  now: number,
  plannedEndAt: number,
): LiveClock | null {
  const index = segments.findIndex((one) => one.id === position.segmentId);
  const current = segments[index];
  if (!current) return null;
  const elapsed = now - position.cuedAt;
  const length = current.lengthMinutes * minuteMs;
  let end = now + Math.max(0, length - elapsed);
  let nextFixed: LiveClock["nextFixed"] = null;
  for (const segment of segments.slice(index + 1)) {
    if (segment.fixedStartAt !== null) {
      nextFixed ??= {
        segmentId: segment.id,
        startAt: segment.fixedStartAt,
        overMinutes: (end - segment.fixedStartAt) / minuteMs,
      };
      end = Math.max(end, segment.fixedStartAt);
    }
    end += segment.lengthMinutes * minuteMs;
  }
  return {
    currentOverMinutes: (elapsed - length) / minuteMs,
    projectedEndAt: end,
    overMinutes: (end - plannedEndAt) / minuteMs,
    nextFixed,
  };
}
