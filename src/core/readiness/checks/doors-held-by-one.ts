import { holdsDuty } from "../../people";
import { crewWithout, finding, type Check } from "../plan-facts";

/** Nobody but the producer holds doors and curtain: if the producer drops out, the hour stands still. */
export const doorsHeldByOne: Check = (plan) => {
  const holders = plan.stagePeople.filter((person) => holdsDuty(person, "doors-and-curtain")).length;
  if (holders >= 2) return null;
  return finding("doors-held-by-one", "worth-a-look", plan.callAt, "people", "duties", {
    crewToAsk: crewWithout(plan, "doors-and-curtain"),
  });
};
