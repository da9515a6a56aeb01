import { logBeta } from "../shared";
import { prior, type PastShowUp } from "./forecast";

/** Show-up of one date to come: Beta(a, b), rule 3's own or learned from past dates. */
export interface ShowUp {
  readonly a: number;
  readonly b: number;
}

/** Rule 3: Beta(8, 12) and what past dates added up say. */
export const showUpFrom = (past: PastShowUp): ShowUp => ({
  a: prior.a + past.attended,
  b: prior.b + past.registered - past.attended,
});

/** From so many dates on show-up is learned from how it differed between them. */
export const learntFromDates = 10;

/**
 * Beta(a, b) of show-up as it differed between dates, by the method of moments with weights of their size
 * (J. C. Kleinman, "Proportions with extraneous variance", JASA 68, 1973). Null for fewer dates than it is learned from.
 */
export function learntShowUp(dates: readonly PastShowUp[]): ShowUp | null {
  const held = dates.filter((one) => one.registered > 0);
  if (held.length < learntFromDates) return null;
  const n = held.reduce((sum, one) => sum + one.registered, 0);
  const p = held.reduce((sum, one) => sum + one.attended, 0) / n;
  const squares = held.reduce((sum, one) => sum + one.registered ** 2, 0);
  const spread = held.reduce((sum, one) => sum + one.registered * (one.attended / one.registered - p) ** 2, 0);
  const own = p * (1 - p);
  // everybody or nobody came each time: there is no spread to learn from
  if (own === 0) return null;
  const k = held.length - 1;
  const between = (spread - own * k) / (own * (n - squares / n - k));
  const weight = 1 / Math.min(0.5, Math.max(0.001, between)) - 1;
  return { a: p * weight, b: (1 - p) * weight };
}

/**
 * The middle of who may come: below its lower end lie at most (1 − level) / 2 of the chances, above its upper end too.
 * By the beta-binomial's own cumulative sums.
 */
export function houseRange(registrations: number, { a, b }: ShowUp, level = 0.8): { low: number; high: number } {
  const tail = (1 - level) / 2;
  let log = logBeta(a, registrations + b) - logBeta(a, b); // P(X = 0)
  let sum = 0;
  let low = -1;
  for (let k = 0; k <= registrations; k += 1) {
    sum += Math.exp(log);
    if (low < 0 && sum > tail) low = k;
    if (sum >= 1 - tail - 1e-12) return { low, high: k };
    log += Math.log(((registrations - k) / (k + 1)) * ((k + a) / (registrations - k - 1 + b)));
  }
  return { low: Math.max(0, low), high: registrations };
}

/** One past date, as the forecast would have told it from those before. */
export interface ToldDate extends PastShowUp {
  readonly expected: number;
  readonly low: number;
  readonly high: number;
  readonly isWithin: boolean;
  /** whether it was told from what the dates themselves taught */
  readonly isLearnt: boolean;
}

/** The forecast held to account: every past date as it was to be expected from those before it alone. */
export function toldDates(inOrder: readonly PastShowUp[]): readonly ToldDate[] {
  return inOrder.map((date, i) => {
    const before = inOrder.slice(0, i);
    const sum = (of: (one: PastShowUp) => number) => before.reduce((total, one) => total + of(one), 0);
    const learnt = learntShowUp(before);
    const showUp =
      learnt ?? showUpFrom({ registered: sum((one) => one.registered), attended: sum((one) => one.attended) });
    const { low, high } = houseRange(date.registered, showUp);
    return {
      ...date,
      expected: (date.registered * showUp.a) / (showUp.a + showUp.b),
      low,
      high,
      isWithin: date.attended >= low && date.attended <= high,
      isLearnt: learnt !== null,
    };
  });
}
