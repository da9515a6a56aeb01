import { dayMs, minuteMs } from "../time";

/** The hour that a track runs around, as instants. */
export interface TrackSpan {
  readonly startAt: number;
  readonly endAt: number;
  /** the earliest mail shown */
  readonly earliestAt: number;
  /** the latest mail shown */
  readonly latestAt: number;
}

/** Percent of the width at which the hour begins and ends. */
export const hourFrom = 56;
export const hourTo = 64;
const shortestMs = 7 * dayMs;
/** Within this distance minutes are told apart; farther out the strip is drawn together. */
const kneeMs = 15 * minuteMs;

const grow = (ms: number): number => Math.log1p(Math.max(0, ms) / kneeMs);
const shrink = (value: number): number => Math.expm1(value) * kneeMs;
const before = ({ startAt, earliestAt }: TrackSpan): number => grow(Math.max(shortestMs, startAt - earliestAt) * 1.1);
const after = ({ endAt, latestAt }: TrackSpan): number => grow(Math.max(shortestMs, latestAt - endAt) * 1.1);

/** Where an instant lies on the track, in percent: true to scale within the hour, drawn together with the distance from it. */
export function trackPercent(at: number, span: TrackSpan): number {
  const { startAt, endAt } = span;
  if (at < startAt) return Math.max(0, hourFrom - (grow(startAt - at) / before(span)) * hourFrom);
  if (at > endAt) return Math.min(100, hourTo + (grow(at - endAt) / after(span)) * (100 - hourTo));
  return hourFrom + ((at - startAt) / Math.max(1, endAt - startAt)) * (hourTo - hourFrom);
}

/** The instant that lies at a percent of the track. */
export function trackInstant(percent: number, span: TrackSpan): number {
  const { startAt, endAt } = span;
  if (percent < hourFrom) return startAt - shrink(((hourFrom - percent) / hourFrom) * before(span));
  if (percent > hourTo) return endAt + shrink(((percent - hourTo) / (100 - hourTo)) * after(span));
  return startAt + ((percent - hourFrom) / (hourTo - hourFrom)) * (endAt - startAt);
}
