import { finding, type Check } from "../plan-facts";

/** A language is offered that nobody interprets into. */
export const interpretationWithoutInterpreter: Check = (plan) => {
  const covered = new Set(
    plan.stagePeople.flatMap((one) =>
      one.role === "interpreter" && one.reply !== "not-coming" ? (one.languages ?? []) : [],
    ),
  );
  const missing = plan.interpretationInto.filter((tag) => !covered.has(tag));
  if (missing.length === 0) return null;
  return finding("interpretation-without-interpreter", "not-during-the-hour", plan.callAt, "people", "add-person", {
    languages: missing.join(", "),
  });
};
