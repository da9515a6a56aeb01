import { recordedMs } from "../../programme";
import { minuteMs } from "../../time";
import { isCurtainUp, type HourEntry, type HourState } from "./state";

/** A recording that is watched together at this date. */
export interface Screening {
  readonly title: string;
  readonly lengthMs: number;
}
/** People may come in so long before it begins, and stay to talk so long after it. */
export const screeningDoorsMs = 10 * minuteMs;
export const screeningTalkMs = 15 * minuteMs;

/** How much of it has been shown: it stands still while the curtain is down. */
export const shownMs = (hour: HourState, now: number): number =>
  recordedMs(hour.curtainSpans.map(({ raisedAt, droppedAt }) => ({ from: raisedAt, to: droppedAt ?? now })));

/**
 * What a screening does by itself at an instant: opens its doors, raises the curtain once, drops it after the last
 * picture, and ends when there was time to talk. Whatever the desk does in between stands.
 */
export function screeningActs(
  hour: HourState,
  { startAt, lengthMs }: { readonly startAt: number; readonly lengthMs: number },
  now: number,
): readonly HourEntry[] {
  const isTime = now >= startAt - screeningDoorsMs;
  // nobody was there while it should have been shown: it is not begun any more
  const isPast = hour.curtainSpans.length === 0 && now >= startAt + lengthMs;
  if (!isTime || isPast) return [];
  const acts: HourEntry[] = [];
  if (hour.phase === "scheduled") acts.push({ type: "hour.backstage-opened" });
  if (hour.phase === "scheduled" || hour.phase === "backstage") acts.push({ type: "hour.doors-opened" });
  else if (hour.phase !== "open") return [];
  const last = hour.curtainSpans.at(-1);
  if (!last) return now >= startAt ? [...acts, { type: "hour.curtain-raised" }] : acts;
  if (shownMs(hour, now) < lengthMs) return acts;
  if (isCurtainUp(hour)) return [...acts, { type: "hour.curtain-dropped" }];
  return now - last.droppedAt! >= screeningTalkMs ? [...acts, { type: "hour.ended", curtainFellAt: null }] : acts;
}

/** What a screen is told: where in the recording it is, for whoever plays along. */
export interface ScreeningItem {
  readonly title: string;
  readonly lengthMs: number;
  /** shown before the curtain rose last */
  readonly shownBeforeMs: number;
  /** since when it goes on; null: it stands still */
  readonly runsSince: number | null;
}
export function screeningItem(hour: HourState, { title, lengthMs }: Screening): ScreeningItem {
  const last = hour.curtainSpans.at(-1);
  const runsSince = last && last.droppedAt === null ? last.raisedAt : null;
  return { title, lengthMs, shownBeforeMs: shownMs(hour, runsSince ?? 0), runsSince };
}
/** Where it is at an instant, in milliseconds from its beginning. */
export const screeningMsAt = ({ lengthMs, shownBeforeMs, runsSince }: ScreeningItem, now: number): number =>
  Math.min(lengthMs, shownBeforeMs + (runsSince === null ? 0 : Math.max(0, now - runsSince)));
