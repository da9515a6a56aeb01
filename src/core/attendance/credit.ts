export interface CreditRule {
  readonly points: number;
  /** share of the show, 0–100 */
  readonly thresholdPercent: number;
  /** presence checks that are answered at least; null: none is asked for */
  readonly checks: number | null;
  /** below the threshold a part of the points, in proportion to it */
  readonly isPartial?: boolean;
}

/**
 * Points for one person (rule 13): all of them from the threshold on and with enough presence checks. Below the
 * threshold none, or by the linear rule presence ÷ threshold of them, cut to hundredths; without the checks none.
 */
export function creditPoints(percentPresent: number, checksAnswered: number, rule: CreditRule | null): number | null {
  if (!rule) return null;
  if (checksAnswered < (rule.checks ?? 0)) return 0;
  if (percentPresent >= rule.thresholdPercent) return rule.points;
  if (!rule.isPartial) return 0;
  return Math.floor(((rule.points * percentPresent) / rule.thresholdPercent) * 100 + 1e-9) / 100;
}

/** What a threshold would come to: people who earn all, a part, nothing. */
export interface WhatIf {
  readonly thresholdPercent: number;
  readonly all: number;
  readonly part: number;
  readonly none: number;
}

/** Every tenth threshold from a half on, and the event's own: what each would come to. */
export function whatIf(
  lines: readonly { readonly creditPercent: number; readonly checks: number }[],
  rule: CreditRule,
): readonly WhatIf[] {
  const thresholds = [...new Set([50, 60, 70, 75, 80, 90, 100, rule.thresholdPercent])].sort((a, b) => a - b);
  return thresholds.map((thresholdPercent) => {
    const points = lines.map((one) => creditPoints(one.creditPercent, one.checks, { ...rule, thresholdPercent })!);
    const all = points.filter((one) => one === rule.points).length;
    const none = points.filter((one) => one === 0).length;
    return { thresholdPercent, all, part: points.length - all - none, none };
  });
}
