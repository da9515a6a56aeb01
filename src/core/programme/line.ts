import type { Variant } from "./variants";

/** A viewer whose picture stood still twice within so long has a line that does not carry it. */
export const stallsWithinMs = 20_000;
const stallsForSmall = 2;
/** so long the small picture runs well before the whole one is tried again */
export const firstTryAgainMs = 60_000;
export const lastTryAgainMs = 960_000;
/** whoever falls back within so long after a try waits twice as long for the next */
const failedWithinMs = 45_000;

/** What a viewer's line has carried so far. */
export interface Line {
  readonly variant: Extract<Variant, "full" | "small">;
  /** since when */
  readonly since: number;
  readonly stalledAt: readonly number[];
  readonly tryAgainMs: number;
  /** whether it went back to the whole picture after a small one */
  readonly isTry: boolean;
}
export const freshLine = (now: number): Line => ({
  variant: "full",
  since: now,
  stalledAt: [],
  tryAgainMs: firstTryAgainMs,
  isTry: false,
});

/** The picture stood still: the second time within a while the small one is taken. */
export function stalled(line: Line, now: number): Line {
  const stalledAt = [...line.stalledAt.filter((at) => now - at < stallsWithinMs), now];
  if (line.variant === "small" || stalledAt.length < stallsForSmall) return { ...line, stalledAt };
  const hasFailed = line.isTry && now - line.since < failedWithinMs;
  return {
    variant: "small",
    since: now,
    stalledAt: [],
    isTry: false,
    tryAgainMs: hasFailed ? Math.min(lastTryAgainMs, line.tryAgainMs * 2) : firstTryAgainMs,
  };
}

/** Time went by: where the small picture ran well for long enough the whole one is tried again. */
export function wentWell(line: Line, now: number): Line {
  const wellSince = Math.max(line.since, line.stalledAt.at(-1) ?? 0);
  if (line.variant === "full" || now - wellSince < line.tryAgainMs) return line;
  return { ...line, variant: "full", since: now, stalledAt: [], isTry: true };
}
