import { holdsDuty, type Actor, type Duty, type Role } from "./roles";

export const phases = ["scheduled", "backstage", "open", "ended", "cancelled", "not-held"] as const;
export type Phase = (typeof phases)[number];

const team = ["producer", "crew"] as const;
const onStage = ["producer", "crew", "panelist", "interpreter", "captioner"] as const;
const audience = ["attendee", "test-guest"] as const;
const ahead = ["scheduled", "backstage"] as const;
const live = ["backstage", "open"] as const;
const running = ["scheduled", "backstage", "open"] as const;
const after = ["ended"] as const;

/**
 * One row of the table. A crew member needs the duty where one is named; the producer holds them all;
 * other roles act by being listed. `needs` names an audience switch of the event that must be on.
 */
export interface Permission {
  readonly roles: readonly Role[];
  readonly duty?: Duty;
  readonly phases: readonly Phase[] | "any";
  readonly needs?: AudienceSwitch;
}

export type AudienceSwitch = "questions" | "polls";

/** Rule 6. The server asks it for every command, the interface to show or hide, and /help prints it. */
export const permissionTable = {
  "event.read": { roles: team, phases: "any" },
  "event.plan": { roles: ["producer"], phases: "any" },
  "event.people": { roles: team, duty: "people", phases: "any" },
  "event.run-sheet": { roles: team, duty: "cues", phases: "any" },
  "event.polls": { roles: team, duty: "polls", phases: "any" },
  "event.mailings": { roles: team, duty: "people", phases: "any" },
  "event.exports": { roles: ["producer"], phases: "any" },
  "event.personal-links": { roles: ["producer"], phases: "any" },
  "event.import-entries": { roles: ["producer"], phases: ["ended", "not-held"] },
  "date.cancel": { roles: ["producer"], phases: ahead },
  "date.end": { roles: team, duty: "doors-and-curtain", phases: live },
  "curtain.strike": { roles: ["producer"], phases: after },
  "recording.upload": { roles: team, duty: "recording", phases: after },
  "desk.open": { roles: team, phases: "any" },
  "backstage.enter": { roles: onStage, phases: running },
  "house.enter": { roles: audience, phases: running },
  "doors.open": { roles: team, duty: "doors-and-curtain", phases: ["backstage"] },
  "doors.hold": { roles: team, duty: "doors-and-curtain", phases: ["open"] },
  "curtain.move": { roles: team, duty: "doors-and-curtain", phases: ["open"] },
  "cue.give": { roles: team, duty: "cues", phases: live },
  "people.move": { roles: team, duty: "people", phases: live },
  "microphone.own": { roles: onStage, phases: live },
  "microphone.close-others": { roles: team, duty: "people", phases: live },
  "question.ask": { roles: audience, phases: ["open"], needs: "questions" },
  "question.vote": { roles: audience, phases: ["open"], needs: "questions" },
  "question.handle": { roles: team, duty: "questions", phases: live },
  "question.answer-later": { roles: team, duty: "questions", phases: ["open", "ended"] },
  "poll.handle": { roles: team, duty: "polls", phases: live, needs: "polls" },
  "poll.vote": { roles: audience, phases: ["open"], needs: "polls" },
} as const satisfies Record<string, Permission>;

export type Action = keyof typeof permissionTable;

/** What of the moment and of the event's switches the table reads. */
export interface Circumstance {
  readonly phase: Phase;
  readonly questionsOn: boolean;
  readonly pollsOn: boolean;
}

export type Verdict = "yes" | "wrong-role" | "wrong-phase" | "switched-off";

const switchIsOn = (name: AudienceSwitch, now: Circumstance): boolean =>
  name === "questions" ? now.questionsOn : now.pollsOn;

/** Whether the actor may do it at all, whatever the phase: for menus and for acts outside a date. */
export function roleMay(actor: Actor, action: Action): boolean {
  const rule: Permission = permissionTable[action];
  if (!rule.roles.includes(actor.role)) return false;
  return actor.role !== "crew" || rule.duty === undefined || holdsDuty(actor, rule.duty);
}

/** Whether the actor may do it now, and if not, why not. */
export function verdict(actor: Actor, action: Action, now: Circumstance): Verdict {
  const rule: Permission = permissionTable[action];
  if (!roleMay(actor, action)) return "wrong-role";
  if (rule.needs && !switchIsOn(rule.needs, now)) return "switched-off";
  if (rule.phases !== "any" && !rule.phases.includes(now.phase)) return "wrong-phase";
  return "yes";
}
