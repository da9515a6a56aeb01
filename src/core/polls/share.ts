/** Half up, on the exact fraction: 1 of 200 in whole percents is 1, not 0. */
function halfUp(numerator: number, denominator: number, factor: number): number {
  return Math.floor((2 * numerator * factor + denominator) / (2 * denominator));
}

/** Share in percent, rounded half up to whole percents, or to tenths with `decimals: 1`. */
export function share(part: number, whole: number, decimals: 0 | 1 = 0): number {
  if (whole === 0) return 0;
  return decimals === 0 ? halfUp(part, whole, 100) : halfUp(part, whole, 1000) / 10;
}
