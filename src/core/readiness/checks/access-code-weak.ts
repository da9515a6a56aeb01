import { isWeakCode, shortestAccessCode } from "../../front-door";
import { finding, type Check } from "../plan-facts";

/** The access code of a private event is missing or can be guessed: whoever tries finds the way in and everybody's names. */
export const accessCodeWeak: Check = (plan) => {
  if (!plan.isPrivate || !isWeakCode(plan.accessCode ?? "")) return null;
  return finding("access-code-weak", "stops-the-show", plan.startAt, "plan", "accessCode", {
    shortest: shortestAccessCode,
  });
};
