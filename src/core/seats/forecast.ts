import { logBeta } from "../shared";

/** Attendance of the organisation's own past dates, added up. */
export interface PastShowUp {
  readonly registered: number;
  readonly attended: number;
}

/** Beta(8, 12): a mean show-up of 40 %, common practice (from memory). */
export const prior = { a: 8, b: 12 } as const;

/**
 * P(X > k) of a beta-binomial(n, a, b): the tail summed term by term from one log-probability, by the
 * ratio of neighbours (Johnson, Kemp & Kotz, Univariate Discrete Distributions, §6.9).
 */
export function betaBinomialTail(n: number, a: number, b: number, k: number): number {
  if (k >= n) return 0;
  if (k < 0) return 1;
  let log = logBeta(n + a, b) - logBeta(a, b); // P(X = n)
  let sum = 0;
  for (let i = n; i > k; i -= 1) {
    sum += Math.exp(log);
    log += Math.log((i / (n - i + 1)) * ((n - i + b) / (i - 1 + a)));
  }
  return Math.min(1, sum);
}

/** P(X > k) of a binomial(n, p): the limit of the above for endless experience. */
export function binomialTail(n: number, p: number, k: number): number {
  if (k >= n || p <= 0) return 0;
  if (k < 0 || p >= 1) return 1;
  let log = n * Math.log(p);
  let sum = 0;
  for (let i = n; i > k; i -= 1) {
    sum += Math.exp(log);
    log += Math.log((i / (n - i + 1)) * ((1 - p) / p));
  }
  return Math.min(1, sum);
}

export interface ExpectedHouse {
  /** people expected to come */
  readonly come: number;
  /** people expected at the peak: `come` scaled by the peak share where that is known */
  readonly peak: number;
  /** chance that more people want in at once than the house holds */
  readonly fullChance: number;
}

/**
 * Rule 3: the posterior of show-up is Beta(8 + attended, 12 + registered − attended); who comes of
 * `registrations` is beta-binomial.
 * @param peakShare how many of those who came were there at the peak, from past dates; null: unknown
 */
export function expectedHouse(
  registrations: number,
  houseSize: number,
  past: PastShowUp,
  peakShare: number | null,
): ExpectedHouse {
  const a = prior.a + past.attended;
  const b = prior.b + past.registered - past.attended;
  const share = peakShare ?? 1;
  const come = (registrations * a) / (a + b);
  return { come, peak: come * share, fullChance: betaBinomialTail(registrations, a, b, Math.floor(houseSize / share)) };
}

/** A chance as "n in m" with m at most 10: what a person keeps in mind. Null below 1 in 50 and above 49 in 50. */
export function oddsOf(chance: number): { n: number; m: number } | null {
  if (chance < 0.02 || chance > 0.98) return null;
  let best = { n: 1, m: 1, off: Number.POSITIVE_INFINITY };
  const denominators = chance < 0.1 || chance > 0.9 ? [10, 20, 50] : [2, 3, 4, 5, 6, 8, 10];
  for (const m of denominators) {
    const n = Math.round(chance * m);
    // simpler fractions win unless another is clearly closer
    const off = Math.abs(chance - n / m) + m * 0.004;
    if (n > 0 && n < m && off < best.off) best = { n, m, off };
  }
  return best.off === Number.POSITIVE_INFINITY ? null : { n: best.n, m: best.m };
}
