import { phrase } from "@/contracts/say";
import type { Duty, Phase, Role } from "@/core/people";

export const roleWords: Record<Role, string> = {
  producer: phrase("Producer"),
  crew: phrase("Crew"),
  panelist: phrase("Panelist"),
  interpreter: phrase("Interpreter"),
  captioner: phrase("Captioner"),
  attendee: phrase("Attendee"),
  "test-guest": phrase("Test guest"),
  visitor: phrase("Visitor"),
};
export const dutyWords: Record<Duty, string> = {
  "doors-and-curtain": phrase("doors and curtain"),
  cues: phrase("cues"),
  questions: phrase("questions"),
  chat: phrase("chat"),
  polls: phrase("polls"),
  people: phrase("people"),
  recording: phrase("recording"),
};
export const phaseWords: Record<Phase, string> = {
  scheduled: phrase("Planned"),
  backstage: phrase("Backstage"),
  open: phrase("Doors open"),
  ended: phrase("Ended"),
  cancelled: phrase("Cancelled"),
  "not-held": phrase("Not held"),
};
