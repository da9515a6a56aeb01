import { studentPoint } from "../survey";

/** A straight line through figures in their order: what one step more brings, with the 95 % interval. */
export interface Trend {
  readonly perStep: number;
  readonly low: number;
  readonly high: number;
  readonly n: number;
}

/**
 * The slope of the line of least squares through figures that follow one another, with Student's interval of n − 2
 * degrees of freedom (any text on simple linear regression, as N. R. Draper and H. Smith, "Applied Regression
 * Analysis", §1.4). Null below three: two points are always on a line.
 */
export function trendOf(values: readonly number[]): Trend | null {
  const n = values.length;
  if (n < 3) return null;
  const [meanX, meanY] = [(n - 1) / 2, values.reduce((sum, one) => sum + one, 0) / n];
  let [sxx, sxy] = [0, 0];
  values.forEach((y, x) => {
    sxx += (x - meanX) ** 2;
    sxy += (x - meanX) * (y - meanY);
  });
  const perStep = sxy / sxx;
  const residual = values.reduce((sum, y, x) => sum + (y - meanY - perStep * (x - meanX)) ** 2, 0);
  const half = studentPoint(n - 2) * Math.sqrt(residual / (n - 2) / sxx);
  return { perStep, low: perStep - half, high: perStep + half, n };
}
