import type { Check } from "../plan-facts";

/** A prepared poll that offers fewer than two answers. */
export const pollWithoutOptions: Check = (plan) => {
  const poll = plan.polls.find((one) => one.optionCount < 2);
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
