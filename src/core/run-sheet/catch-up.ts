export interface Length {
  readonly id: string;
  readonly lengthMinutes: number;
}

/**
 * The lengths of what is still to come, so much shorter in all, in proportion and in whole minutes (what rounding
 * leaves goes to those with the largest remainders). Every segment keeps a minute; where that is not enough,
 * as much is saved as there is.
 */
export function caughtUp(rest: readonly Length[], byMinutes: number): readonly Length[] {
  const total = rest.reduce((sum, one) => sum + one.lengthMinutes, 0);
  const target = Math.max(rest.length, Math.round(total - Math.max(0, byMinutes)));
  if (total === 0 || target >= total) return rest;
  // what is spread: all but the one minute that each keeps
  const spare = total - rest.length;
  const exact = rest.map((one) => 1 + ((one.lengthMinutes - 1) * (target - rest.length)) / Math.max(1, spare));
  const whole = exact.map(Math.floor);
  let left = target - whole.reduce((sum, one) => sum + one, 0);
  const byRemainder = exact
    .map((minutes, i) => ({ i, remainder: minutes - whole[i]! }))
    .sort((a, b) => b.remainder - a.remainder || a.i - b.i);
  for (const { i } of byRemainder) if (left-- > 0) whole[i]! += 1;
  return rest.map(({ id }, i) => ({ id, lengthMinutes: whole[i]! }));
}
