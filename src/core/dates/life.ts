import { holdsDuty, type Actor, type Phase } from "../people";
import { hourMs, minuteMs } from "../time";

export const defaultCallMinutes = 20;
export const foyerLeadMinutes = 30;
export const abandonedAfterMinutes = 30;
export const notHeldAfterHours = 6;
/** A deleted event can be brought back for this long (rule 5). */
export const binDays = 7;

/** The fixed points of one date, as instants. */
export interface DateTimes {
  readonly startAt: number;
  readonly endAt: number;
  readonly callAt: number;
}

export const callTimeOf = (startAt: number, callMinutes: number): number => startAt - callMinutes * minuteMs;

/** The foyer opens 30 minutes ahead, or at the call time where that is earlier. */
export const foyerOpensAt = (times: DateTimes): number =>
  Math.min(times.startAt - foyerLeadMinutes * minuteMs, times.callAt);

/**
 * Whether a stage person may come backstage now: from the call time, or at any time for whoever holds
 * doors and curtain; once the backstage is open, for all of them if the event lets them in early.
 */
export function mayComeBackstage(
  actor: Actor,
  now: number,
  times: DateTimes,
  phase: Phase,
  earlyEntry: boolean,
): boolean {
  if (phase === "ended" || phase === "cancelled" || phase === "not-held") return false;
  if (now >= times.callAt || holdsDuty(actor, "doors-and-curtain")) return true;
  return phase === "backstage" && earlyEntry;
}

export interface AbandonFacts {
  readonly phase: Phase;
  readonly times: DateTimes;
  readonly now: number;
  /** whether a stage person is connected now */
  readonly isStagePresent: boolean;
  /** the moment the last stage person left, or null if none ever came */
  readonly lastStageLeftAt: number | null;
}

export type LifeStep =
  { step: "open-backstage" } | { step: "end"; curtainFellAt: number } | { step: "not-held" } | null;

/**
 * What the passing of time does to a date (rule 5): backstage opens at the call time; a date ends 30
 * minutes after the last stage person left, the curtain then having fallen when they left; a date
 * whose doors never opened becomes *not held* six hours after its planned end.
 */
export function stepDue(facts: AbandonFacts): LifeStep {
  const { phase, times, now } = facts;
  if (phase === "open" && !facts.isStagePresent) {
    const leftAt = facts.lastStageLeftAt ?? times.endAt;
    if (now >= leftAt + abandonedAfterMinutes * minuteMs) return { step: "end", curtainFellAt: leftAt };
  }
  if (phase === "scheduled" || phase === "backstage") {
    if (now >= times.endAt + notHeldAfterHours * hourMs) return { step: "not-held" };
    if (phase === "scheduled" && now >= times.callAt) return { step: "open-backstage" };
  }
  return null;
}

interface PickableDate {
  readonly phase: Phase;
  readonly startAt: number;
  readonly endAt: number;
}

/** The date that an event's pages are about unless one is named: the live one, else the next, else the last. */
export function currentDate<D extends PickableDate>(dates: readonly D[], now: number): D | undefined {
  const sorted = [...dates].sort((a, b) => a.startAt - b.startAt);
  const isLive = (date: D) => date.phase === "open" || date.phase === "backstage";
  return (
    sorted.find(isLive) ??
    sorted.find((date) => date.phase === "scheduled" && date.endAt > now) ??
    sorted.findLast((date) => date.phase !== "cancelled") ??
    sorted.at(-1)
  );
}
