import type { Check } from "../plan-facts";

/** A prepared poll that cannot be put to people yet: too few answers, or a quiz without a right one. */
export const pollWithoutOptions: Check = (plan) => {
  const poll = plan.polls.find((one) => !one.isReady);
  if (!plan.pollsOn || !poll) return null;
  return {
    check: "poll-without-options",
    severity: "worth-a-look",
    byAt: plan.startAt,
    place: "run-sheet",
    field: "polls",
    facts: { question: poll.question },
  };
};
