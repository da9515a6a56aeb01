import { holdsDuty, type Actor, type Duty, type Role } from "./roles";
import { isMet, type Need, type Switches } from "./switches";

export const phases = ["scheduled", "backstage", "open", "ended", "cancelled", "not-held"] as const;
export type Phase = (typeof phases)[number];

export const team = ["producer", "crew"] as const;
export const onStage = ["producer", "crew", "panelist", "interpreter", "captioner"] as const;
export const audience = ["attendee", "test-guest"] as const;
export const anyone = [...onStage, ...audience] as const;
export const ahead = ["scheduled", "backstage"] as const;
export const live = ["backstage", "open"] as const;
export const running = ["scheduled", "backstage", "open"] as const;
export const after = ["ended"] as const;
export const over = ["ended", "cancelled", "not-held"] as const;

/** Whether nothing of a date is to come any more. */
export const isOver = (phase: Phase): boolean => (over as readonly Phase[]).includes(phase);

/**
 * One row of the table. A crew member needs the duty where one is named; the producer holds them all;
 * other roles act by being listed. `needs` names an audience switch that must stand so.
 */
export interface Permission {
  readonly roles: readonly Role[];
  readonly duty?: Duty;
  readonly phases: readonly Phase[] | "any";
  readonly needs?: Need;
}

/** What of the moment and of the event's switches the table reads. */
export interface Circumstance {
  readonly phase: Phase;
  readonly switches: Switches;
}

export type Verdict = "yes" | "wrong-role" | "wrong-phase" | "switched-off";

/** Whether the actor holds a permission at all, whatever the phase. */
export function holds(actor: Actor, rule: Permission): boolean {
  if (!rule.roles.includes(actor.role)) return false;
  return actor.role !== "crew" || rule.duty === undefined || holdsDuty(actor, rule.duty);
}

/** Whether the actor may act on a permission now, and if not, why not. */
export function verdictBy(rule: Permission, actor: Actor, now: Circumstance): Verdict {
  if (!holds(actor, rule)) return "wrong-role";
  if (rule.needs && !isMet(rule.needs, now.switches)) return "switched-off";
  if (rule.phases !== "any" && !rule.phases.includes(now.phase)) return "wrong-phase";
  return "yes";
}
