/** One composer at a time makes a feed: by a lease that every piece renews (rule 26). */
export const leaseRenewedEveryMs = 1000;
export const leaseLostAfterMs = 3000;

/** So long the house keeps a picture that nothing came of: a maker who is late goes on, or another takes over by then. */
export const keptWithoutPiecesMs = 10_000;

export interface Lease {
  readonly holderId: string;
  readonly device: string;
  readonly renewedAt: number;
}
export const isHeld = (lease: Lease | null, now: number): lease is Lease =>
  lease !== null && now - lease.renewedAt < leaseLostAfterMs;

/** A feed as it stands: who makes it, and whether nothing came of it for as long as a lease lives. */
export interface OnAir {
  readonly holderId: string;
  readonly isLate: boolean;
}

/**
 * What is on the air of a feed. The picture stays while its maker is late, so that it does not come and go; sound that
 * does not come makes room for the stage's at once.
 * @param silentMs since the last piece came
 */
export function onAir(holderId: string, silentMs: number, isPicture: boolean): OnAir | null {
  if (silentMs < leaseLostAfterMs) return { holderId, isLate: false };
  return isPicture && silentMs < keptWithoutPiecesMs ? { holderId, isLate: true } : null;
}

/** Somebody who could make the picture. */
export interface Able {
  readonly id: string;
  readonly isDesk: boolean;
  /** for how long they have been there */
  readonly sinceAt: number;
}

/** In which order they take over: the desk first, then people on stage by how long they are there (rule 26). */
export const inTurn = (able: readonly Able[]): readonly Able[] =>
  [...able].sort(
    (a, b) => Number(b.isDesk) - Number(a.isDesk) || a.sinceAt - b.sinceAt || (a.id < b.id ? -1 : a.id > b.id ? 1 : 0),
  );

/** How long somebody waits before they reach for a lease that is free: whoever is before them has gone by then. */
export const waitsMs = (place: number): number => place * 1500;
