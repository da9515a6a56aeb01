import { minuteMs } from "../time";

/** One row of the run sheet as the timing sees it. */
export interface TimedSegment {
  readonly id: string;
  readonly lengthMinutes: number;
  /** a "hard" time, as an instant; null for a segment that follows the one before */
  readonly fixedStartAt: number | null;
}

export interface PlannedSegment {
  readonly id: string;
  readonly startAt: number;
  readonly endAt: number;
  /** minutes of nothing before a fixed start */
  readonly gapMinutes: number;
  /** minutes by which the one before runs into this fixed start */
  readonly overlapMinutes: number;
  /** the latest start that still meets the next fixed start, or the date's end */
  readonly latestStartAt: number;
}

export interface RunSheetPlan {
  readonly segments: readonly PlannedSegment[];
  /** where the segments end */
  readonly segmentsEndAt: number;
  /** where the date ends: the planned end (rule 10) */
  readonly plannedEndAt: number;
}

const lengthMs = (segment: TimedSegment): number => segment.lengthMinutes * minuteMs;

/** Back-timing: from each fixed start, and from the end, backwards. */
function latestStarts(segments: readonly TimedSegment[], endAt: number): number[] {
  const latest: number[] = new Array<number>(segments.length);
  let mustEndAt = endAt;
  for (let i = segments.length - 1; i >= 0; i -= 1) {
    const segment = segments[i]!;
    latest[i] = segment.fixedStartAt ?? mustEndAt - lengthMs(segment);
    mustEndAt = latest[i]!;
  }
  return latest;
}

/** Rule 10: planned and latest start of every segment of a date from `startAt` to `endAt`. */
export function planRunSheet(segments: readonly TimedSegment[], startAt: number, endAt: number): RunSheetPlan {
  const latest = latestStarts(segments, endAt);
  let previousEnd = startAt;
  const rows = segments.map((segment, i): PlannedSegment => {
    const start = segment.fixedStartAt ?? previousEnd;
    const gap = (start - previousEnd) / minuteMs;
    previousEnd = start + lengthMs(segment);
    return {
      id: segment.id,
      startAt: start,
      endAt: previousEnd,
      gapMinutes: Math.max(0, gap),
      overlapMinutes: Math.max(0, -gap),
      latestStartAt: latest[i]!,
    };
  });
  return { segments: rows, segmentsEndAt: previousEnd, plannedEndAt: endAt };
}
