import { datesOfSeries, instantOf, minuteMs, wallTimeAt, type RecurrenceRule } from "../time";
import { ok, type Result } from "../shared";

/** Hours that are given out in pieces: on each day of a rule, between two clocks. */
export interface SlotPlan {
  /** first day and its first slot, local */
  readonly startLocal: string;
  /** clock by which the last slot of a day has ended, "17:00" */
  readonly untilClock: string;
  readonly zone: string;
  readonly lengthMinutes: number;
  /** between two slots */
  readonly pauseMinutes: number;
  /** people a slot */
  readonly capacity: number;
  /** null: one day */
  readonly rule: RecurrenceRule | null;
}

export interface Slot {
  readonly startLocal: string;
  readonly startAt: number;
  readonly endAt: number;
}

/** Slots of one plan at most: beyond, the rest is not offered. */
export const mostSlots = 2000;

/** Slots of one day: as many whole ones as fit; by instants, so a clock change makes none shorter. */
function slotsOfDay(plan: SlotPlan, startLocal: string): Slot[] {
  const until = instantOf({ local: `${startLocal.slice(0, 10)}T${plan.untilClock}`, zone: plan.zone });
  const out: Slot[] = [];
  const length = plan.lengthMinutes * minuteMs;
  for (
    let startAt = instantOf({ local: startLocal, zone: plan.zone });
    startAt + length <= until && out.length < 300;
    startAt += length + plan.pauseMinutes * minuteMs
  ) {
    out.push({ startLocal: wallTimeAt(startAt, plan.zone).local, startAt, endAt: startAt + length });
  }
  return out;
}

/** Every slot of a plan up to a local moment, in order; a failure where the rule itself is wrong. */
export function laySlots(plan: SlotPlan, horizonLocal: string): Result<readonly Slot[]> {
  if (!plan.rule) return ok(slotsOfDay(plan, plan.startLocal));
  const days = datesOfSeries(
    { rule: plan.rule, startLocal: plan.startLocal, zone: plan.zone, exdates: [], rdates: [] },
    horizonLocal,
  );
  return days.ok ? ok(days.value.flatMap((day) => slotsOfDay(plan, day)).slice(0, mostSlots)) : days;
}
