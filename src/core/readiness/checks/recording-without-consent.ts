import { finding, type Check } from "../plan-facts";

/** The hour is recorded, and no words ask for consent. */
export const recordingWithoutConsent: Check = (plan) => {
  if (!plan.isRecorded || plan.consentText.trim() !== "") return null;
  return finding("recording-without-consent", "not-during-the-hour", plan.startAt, "plan", "consentText");
};
