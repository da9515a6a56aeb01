import type { RegisterState } from "./types";

const firstWaitMs = 1500;
const longestWaitMs = 15_000;

/** How long to wait before the n-th next try: twice as long each time, anywhere within, so that a crowd spreads out. */
export const waitBeforeMs = (tries: number, chance: number): number => {
  const most = Math.min(longestWaitMs, firstWaitMs * 2 ** tries);
  return Math.round(most / 2 + (most / 2) * chance);
};

/** A turn that the server gave is kept; where none came, each try is further off than the one before. */
export const againAfterMs = ({ againInMs }: Pick<RegisterState, "againInMs">, tries: number, chance: number): number =>
  againInMs ?? waitBeforeMs(tries, chance);
