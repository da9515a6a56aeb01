import { holdsDuty } from "../../people";
import { crewWithout, finding, type Check } from "../plan-facts";

/** a house that asks more than one person can read beside the desk */
const crowd = 100;

/** Questions are on, and nobody beside the producer may handle them. */
export const nobodyForQuestions: Check = (plan) => {
  const handlers = plan.stagePeople.filter((one) => one.role === "crew" && holdsDuty(one, "questions"));
  if (!plan.questionsOn || handlers.length > 0 || plan.houseSize < crowd) return null;
  return finding("nobody-for-questions", "worth-a-look", plan.callAt, "people", "duties", {
    houseSize: plan.houseSize,
    crewToAsk: crewWithout(plan, "questions"),
  });
};
