import { finding, type Check } from "../plan-facts";

/** Segments that nobody leads. */
export const segmentWithoutLeader: Check = (plan) => {
  const open = plan.segments.filter((one) => !one.hasLeader);
  if (open.length === 0) return null;
  return finding("segment-without-leader", "worth-a-look", plan.callAt, "run-sheet", "segments", {
    count: open.length,
    title: open[0]!.title,
  });
};
