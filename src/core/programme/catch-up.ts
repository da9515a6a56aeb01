/** A viewer aims to be so far behind the newest byte, in seconds: less stalls, more is late. */
export const aimSeconds = 1.2;
/** up to here somebody who is behind plays faster; beyond it they jump (rule 26) */
export const mostBehindSeconds = 3;
export const fasterRate = 1.08;

export type Pace = { readonly kind: "play"; readonly rate: number } | { readonly kind: "jump"; readonly to: number };

/**
 * How a viewer stays with the programme.
 * @param at where the player is @param end the end of what has come, both in seconds of the player's own time
 * @param isCatchingUp whether it plays faster already: it goes on until the aim is reached, so that the rate does not flutter
 */
export function paceFor(at: number, end: number, isCatchingUp: boolean): Pace {
  const behind = end - at;
  if (behind > mostBehindSeconds) return { kind: "jump", to: end - aimSeconds };
  const isBehind = behind > (isCatchingUp ? aimSeconds : aimSeconds + 0.4);
  return { kind: "play", rate: isBehind ? fasterRate : 1 };
}
