/** The two-sided 95 % point of the standard normal distribution. */
const z95 = 1.959963984540054;

/**
 * Wilson's score interval for a share (E. B. Wilson, "Probable inference, the law of succession, and
 * statistical inference", JASA 22, 1927). Shares between 0 and 1.
 * @example wilsonInterval(8, 10) // { low: 0.490…, high: 0.943… }
 */
export function wilsonInterval(hits: number, n: number, z: number = z95): { low: number; high: number } {
  if (!(n > 0) || hits < 0 || hits > n) throw new RangeError(`no share: ${hits} of ${n}`);
  const p = hits / n;
  const z2 = z * z;
  const centre = p + z2 / (2 * n);
  const spread = z * Math.sqrt((p * (1 - p)) / n + z2 / (4 * n * n));
  const scale = 1 + z2 / n;
  return { low: Math.max(0, (centre - spread) / scale), high: Math.min(1, (centre + spread) / scale) };
}
