import { wilsonInterval } from "../polls";
import { meanFigures, studentPoint } from "../survey";

export interface Difference {
  readonly value: number;
  /** 95 %; null where there is too little to tell */
  readonly interval: { readonly low: number; readonly high: number } | null;
}

interface Share {
  readonly hits: number;
  readonly n: number;
}

/**
 * The difference of two shares with its 95 % interval from their Wilson intervals (R. G. Newcombe, "Interval
 * estimation for the difference between independent proportions", Statistics in Medicine 17, 1998, method 10).
 * Null where one has no base.
 */
export function shareDifference(a: Share, b: Share): Difference | null {
  if (a.n === 0 || b.n === 0) return null;
  const [p, q] = [a.hits / a.n, b.hits / b.n];
  const [wa, wb] = [wilsonInterval(a.hits, a.n), wilsonInterval(b.hits, b.n)];
  return {
    value: p - q,
    interval: {
      low: p - q - Math.hypot(p - wa.low, wb.high - q),
      high: p - q + Math.hypot(wa.high - p, q - wb.low),
    },
  };
}

/**
 * The difference of two means with its 95 % interval (B. L. Welch, "The generalization of 'Student's' problem when
 * several different population variances are involved", Biometrika 34, 1947). Null where one has no value.
 */
export function meanDifference(a: readonly number[], b: readonly number[]): Difference | null {
  const [one, other] = [meanFigures(a), meanFigures(b)];
  if (!one || !other) return null;
  const value = one.mean - other.mean;
  if (one.deviation === null || other.deviation === null) return { value, interval: null };
  const [va, vb] = [one.deviation ** 2 / one.n, other.deviation ** 2 / other.n];
  if (va + vb === 0) return { value, interval: { low: value, high: value } };
  const df = (va + vb) ** 2 / (va ** 2 / (one.n - 1) + vb ** 2 / (other.n - 1));
  const half = studentPoint(df) * Math.sqrt(va + vb);
  return { value, interval: { low: value - half, high: value + half } };
}
