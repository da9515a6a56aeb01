export interface CreditRule {
  readonly points: number;
  /** share of the show, 0–100 */
  readonly thresholdPercent: number;
}

/** Points for one person: all of them from the threshold on, none below (rule 13). */
export function creditPoints(percentPresent: number, rule: CreditRule | null): number | null {
  if (!rule) return null;
  return percentPresent >= rule.thresholdPercent ? rule.points : 0;
}
