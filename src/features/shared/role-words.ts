import type { Duty, Phase, Role } from "@/core/people";

export const roleWords: Record<Role, string> = {
  producer: "Producer",
  crew: "Crew",
  panelist: "Panelist",
  interpreter: "Interpreter",
  captioner: "Captioner",
  attendee: "Attendee",
  "test-guest": "Test guest",
  visitor: "Visitor",
};
export const dutyWords: Record<Duty, string> = {
  "doors-and-curtain": "doors and curtain",
  cues: "cues",
  questions: "questions",
  chat: "chat",
  polls: "polls",
  people: "people",
  recording: "recording",
};
export const phaseWords: Record<Phase, string> = {
  scheduled: "Planned",
  backstage: "Backstage",
  open: "Doors open",
  ended: "Ended",
  cancelled: "Cancelled",
  "not-held": "Not held",
};
