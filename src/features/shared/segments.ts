import type { SegmentItem } from "@/core/room";
import { planRunSheet } from "@/core/run-sheet";

export interface OrderedSegment extends SegmentItem {
  readonly id: string;
  readonly plannedStartAt: number;
  readonly plannedEndAt: number;
}

/** The sections' segments in order, with planned times from the first; what is left out of this hour is left out. */
export function segmentsInOrder(
  section: Readonly<Record<string, SegmentItem>>,
  startAt: number,
  endAt: number,
): readonly OrderedSegment[] {
  const ordered = Object.entries(section)
    .filter(([, segment]) => !segment.isSkipped)
    .map(([id, segment]) => ({ ...segment, id }))
    .sort((a, b) => a.position - b.position);
  const plan = planRunSheet(ordered, startAt, endAt);
  return ordered.map((segment, i) => ({
    ...segment,
    plannedStartAt: plan.segments[i]!.startAt,
    plannedEndAt: plan.segments[i]!.endAt,
  }));
}
