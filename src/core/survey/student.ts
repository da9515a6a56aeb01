import { logGamma } from "../shared";

/** The continued fraction of the incomplete beta function, by Lentz's method (Numerical Recipes, §6.4). */
function betaFraction(a: number, b: number, x: number): number {
  const tiny = 1e-300;
  const off0 = (value: number) => (Math.abs(value) < tiny ? tiny : value);
  let c = 1;
  let d = 1 / off0(1 - ((a + b) * x) / (a + 1));
  let h = d;
  for (let m = 1; m <= 300; m += 1) {
    const even = (m * (b - m) * x) / ((a + 2 * m - 1) * (a + 2 * m));
    d = 1 / off0(1 + even * d);
    c = off0(1 + even / c);
    h *= d * c;
    const odd = (-(a + m) * (a + b + m) * x) / ((a + 2 * m) * (a + 2 * m + 1));
    d = 1 / off0(1 + odd * d);
    c = off0(1 + odd / c);
    const step = d * c;
    h *= step;
    if (Math.abs(step - 1) < 1e-13) break;
  }
  return h;
}

/** The regularised incomplete beta function I_x(a, b). */
function incompleteBeta(a: number, b: number, x: number): number {
  if (x <= 0) return 0;
  if (x >= 1) return 1;
  const front = Math.exp(logGamma(a + b) - logGamma(a) - logGamma(b) + a * Math.log(x) + b * Math.log(1 - x));
  return x < (a + 1) / (a + b + 2) ? (front * betaFraction(a, b, x)) / a : 1 - (front * betaFraction(b, a, 1 - x)) / b;
}

/** P(|T| > t) of Student's t with `df` degrees of freedom. */
const bothTails = (t: number, df: number): number => incompleteBeta(df / 2, 0.5, df / (df + t * t));

/**
 * The point beyond which Student's t lies with probability `tail` on both sides together (Student, "The probable
 * error of a mean", Biometrika 6, 1908).
 * @example studentPoint(4) // 2.776…: of 95 %, for five answers
 */
export function studentPoint(df: number, tail = 0.05): number {
  if (!(df >= 1)) throw new RangeError(`no degrees of freedom: ${df}`);
  let [low, high] = [0, 1];
  while (bothTails(high, df) > tail) high *= 2;
  for (let i = 0; i < 80; i += 1) {
    const middle = (low + high) / 2;
    if (bothTails(middle, df) > tail) low = middle;
    else high = middle;
  }
  return (low + high) / 2;
}

export interface MeanFigures {
  readonly n: number;
  readonly mean: number;
  /** of the sample, n − 1; null for one answer */
  readonly deviation: number | null;
  /** 95 % for the mean; null for fewer than two answers */
  readonly interval: { readonly low: number; readonly high: number } | null;
}

/** Mean, deviation and the 95 % interval of the mean by Student's t (rule 30); null for no answer. */
export function meanFigures(values: readonly number[]): MeanFigures | null {
  const n = values.length;
  if (n === 0) return null;
  const mean = values.reduce((sum, one) => sum + one, 0) / n;
  if (n === 1) return { n, mean, deviation: null, interval: null };
  const deviation = Math.sqrt(values.reduce((sum, one) => sum + (one - mean) ** 2, 0) / (n - 1));
  const half = (studentPoint(n - 1) * deviation) / Math.sqrt(n);
  return { n, mean, deviation, interval: { low: mean - half, high: mean + half } };
}
