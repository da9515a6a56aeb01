import { finding, type Check } from "../plan-facts";

/** Questions and polls are both off: the audience can only watch. */
export const nothingToDo: Check = (plan) => {
  if (plan.questionsOn || plan.pollsOn) return null;
  return finding("nothing-to-do", "worth-a-look", plan.startAt, "plan", "questionsOn");
};
