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
  /** minutes by which it starts before the date itself does */
  readonly earlyMinutes: number;
  /** minutes by which it ends after the date does */
  readonly lateMinutes: number;
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
    const isFirst = i === 0;
    previousEnd = start + lengthMs(segment);
    return {
      id: segment.id,
      startAt: start,
      endAt: previousEnd,
      gapMinutes: Math.max(0, gap),
      // before the first there is no segment that could run into it: it is early
      overlapMinutes: isFirst ? 0 : Math.max(0, -gap),
      earlyMinutes: Math.max(0, (startAt - start) / minuteMs),
      lateMinutes: Math.max(0, (previousEnd - endAt) / minuteMs),
      latestStartAt: latest[i]!,
    };
  });
  return { segments: rows, segmentsEndAt: previousEnd, plannedEndAt: endAt };
}
