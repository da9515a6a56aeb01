import { makeChance, waitMs, type Chance } from "./chance";

/** How much an invented house does. */
export const tempers = ["calm", "lively", "unruly"] as const;
export type Temper = (typeof tempers)[number];

export const crowdActs = ["question", "vote", "hand", "signal", "line"] as const;
export type CrowdAct = (typeof crowdActs)[number];

/** Acts of one person a minute. *Common practice*: a few in a hundred of a calm house ask or write at all. */
const perMinute: Readonly<Record<Temper, Readonly<Record<CrowdAct, number>>>> = {
  calm: { question: 0.01, vote: 0.05, hand: 0.005, signal: 0.03, line: 0.02 },
  lively: { question: 0.03, vote: 0.15, hand: 0.02, signal: 0.2, line: 0.1 },
  unruly: { question: 0.08, vote: 0.4, hand: 0.08, signal: 0.8, line: 0.5 },
};
/** Of those who are there, how many answer a poll. */
export const answersPolls: Readonly<Record<Temper, number>> = { calm: 0.45, lively: 0.7, unruly: 0.9 };

export const mostInvented = 500;

export interface Span {
  readonly from: number;
  readonly to: number;
}
/** One invented person: when they are there, when their line is gone, and what they do. Instants. */
export interface Invented {
  readonly comesAt: number;
  readonly leavesAt: number;
  readonly lost: readonly Span[];
  readonly acts: readonly { readonly at: number; readonly act: CrowdAct }[];
}
export interface CrowdPlan {
  readonly seed: number;
  readonly size: number;
  readonly temper: Temper;
  readonly startAt: number;
  readonly endAt: number;
}

const minuteMs = 60_000;

function comesAt(chance: Chance, startAt: number): number {
  // 35 % in the ten minutes before the start, the rest exponentially after it, 4 min in the mean
  return chance.next() < 0.35 ? startAt - chance.next() * 10 * minuteMs : startAt + waitMs(chance, 1 / 4);
}
function leavesAt(chance: Chance, from: number, { startAt, endAt }: CrowdPlan): number {
  const third = startAt + (endAt - startAt) / 3;
  // 15 % in the first third, the others with 0.4 % a minute
  const at = chance.next() < 0.15 ? chance.between(startAt, third) : third + waitMs(chance, 0.004);
  return Math.max(from + minuteMs / 2, Math.min(at, endAt));
}
/** 1 % a minute lose the connection for 5 to 90 s. */
function lostSpans(chance: Chance, from: number, to: number): Span[] {
  const out: Span[] = [];
  for (let at = from + waitMs(chance, 0.01); at < to; at += waitMs(chance, 0.01)) {
    const back = at + chance.between(5_000, 90_000);
    if (back < to) out.push({ from: at, to: back });
    at = back;
  }
  return out;
}
function actsOf(chance: Chance, from: number, to: number, lost: readonly Span[], temper: Temper): Invented["acts"] {
  const isAway = (at: number) => lost.some((span) => at >= span.from && at < span.to);
  return crowdActs
    .flatMap((act) => {
      const out: { at: number; act: CrowdAct }[] = [];
      for (
        let at = from + waitMs(chance, perMinute[temper][act]);
        at < to;
        at += waitMs(chance, perMinute[temper][act])
      )
        if (!isAway(at)) out.push({ at, act });
      return out;
    })
    .sort((a, b) => a.at - b.at);
}

/** Rule 27: an invented house. The same seed and clock give the same house. */
export function inventHouse(plan: CrowdPlan): readonly Invented[] {
  const chance = makeChance(plan.seed);
  return Array.from({ length: plan.size }, () => {
    const from = comesAt(chance, plan.startAt);
    const to = leavesAt(chance, from, plan);
    const lost = lostSpans(chance, from, to);
    return { comesAt: from, leavesAt: to, lost, acts: actsOf(chance, from, to, lost, plan.temper) };
  });
}
