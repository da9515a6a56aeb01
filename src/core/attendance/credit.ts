export interface CreditRule {
  readonly points: number;
  /** share of the show, 0–100 */
  readonly thresholdPercent: number;
  /** presence checks that are answered at least; null: none is asked for */
  readonly checks: number | null;
}

/** Points for one person: all of them from the threshold on and with enough presence checks, none below (rule 13). */
export function creditPoints(percentPresent: number, checksAnswered: number, rule: CreditRule | null): number | null {
  if (!rule) return null;
  const isEnough = percentPresent >= rule.thresholdPercent && checksAnswered >= (rule.checks ?? 0);
  return isEnough ? rule.points : 0;
}
