import { finding, type Check } from "../plan-facts";

/** A prepared poll that belongs to no segment: it is easily forgotten. */
export const pollInNoSegment: Check = (plan) => {
  if (!plan.pollsOn || plan.segments.length === 0) return null;
  const lost = plan.polls.find((poll) => !plan.segments.some((segment) => segment.pollId === poll.id));
  if (!lost) return null;
  return finding("poll-in-no-segment", "worth-a-look", plan.callAt, "run-sheet", "polls", { question: lost.question });
};
