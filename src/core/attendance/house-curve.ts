import { covers, lengthOf, type IntervalSet } from "../time";

/** From `at` on, `count` people were present, until the next step. */
export interface CurveStep {
  readonly at: number;
  readonly count: number;
}

export interface HouseCurve {
  readonly steps: readonly CurveStep[];
  readonly peak: { readonly count: number; readonly at: number } | null;
  /** ∫ people dt / length of the show */
  readonly averageHouse: number;
  /** of those who came at all */
  readonly medianStayMinutes: number;
  readonly people: number;
}

/** The middle value; the mean of the two middle ones for an even number; 0 for none. */
export function medianOf(values: readonly number[]): number {
  if (values.length === 0) return 0;
  const sorted = Float64Array.from(values).sort();
  const middle = sorted.length >> 1;
  return sorted.length % 2 === 1 ? sorted[middle]! : (sorted[middle - 1]! + sorted[middle]!) / 2;
}

function stepsOf(presences: readonly IntervalSet[]): CurveStep[] {
  const starts: number[] = [];
  const ends: number[] = [];
  for (const set of presences) {
    for (const one of set) {
      starts.push(one.start);
      ends.push(one.end);
    }
  }
  const ins = Float64Array.from(starts).sort();
  const outs = Float64Array.from(ends).sort();
  const steps: CurveStep[] = [];
  let count = 0;
  let i = 0;
  let o = 0;
  while (o < outs.length) {
    const at = i < ins.length ? Math.min(ins[i]!, outs[o]!) : outs[o]!;
    const before = count;
    const firstIn = i;
    const firstOut = o;
    while (i < ins.length && ins[i] === at) i += 1;
    while (o < outs.length && outs[o] === at) o += 1;
    count += i - firstIn - (o - firstOut);
    if (count !== before) steps.push({ at, count });
  }
  return steps;
}

/** People present at each instant, by a sweep over the ends of their presences: exact, no sampling. */
export function houseCurve(presences: readonly IntervalSet[], show: IntervalSet): HouseCurve {
  const came = presences.filter((set) => set.length > 0);
  const steps = stepsOf(came);
  let peak: HouseCurve["peak"] = null;
  for (const step of steps) if (step.count > (peak?.count ?? 0)) peak = { count: step.count, at: step.at };
  const stays = came.map(lengthOf);
  const span = lengthOf(show);
  return {
    steps,
    peak,
    averageHouse: span === 0 ? 0 : stays.reduce((sum, stay) => sum + stay, 0) / span,
    medianStayMinutes: medianOf(stays) / 60_000,
    people: came.length,
  };
}

export interface Retention {
  readonly atStart: number;
  readonly stillThere: number;
  /** share of those at the start who were there (still or again) at the end; null without a base */
  readonly share: number | null;
}

/** Of the people present at a segment's start, those present at its end too (just before it). */
export function retentionOf(presences: readonly IntervalSet[], startAt: number, endAt: number): Retention {
  const atStart = presences.filter((set) => covers(set, startAt));
  const stillThere = atStart.filter((set) => covers(set, endAt - 1)).length;
  return { atStart: atStart.length, stillThere, share: atStart.length === 0 ? null : stillThere / atStart.length };
}
