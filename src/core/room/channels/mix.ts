/** How long the floor takes from wholly lowered to full, and back (rule 16). */
export const floorMovesMs = 500;

/** A time in which an interpreter's microphone was open; `until` null while it is. */
export interface OpenSpan {
  readonly from: number;
  readonly until: number | null;
}

/** Amplitude for decibels: 20 dB are a factor of ten (ISO 80000-8 / IEC 60027-3, field quantities). */
export const amplitudeOf = (db: number): number => 10 ** (db / 20);

/**
 * How far under its own level a listener of a channel hears the floor, in decibels (0 or less). It moves
 * evenly in decibels, at the same pace both ways, from wherever it is. Only a microphone that is switched off
 * brings the floor back: how loud anybody is in between is not asked, so a pause changes nothing.
 * @param spans in their order, not overlapping
 */
export function floorDb(spans: readonly OpenSpan[], at: number, belowDb: number): number {
  const perMs = belowDb / floorMovesMs;
  let db = 0;
  let since = spans[0]?.from ?? at;
  const move = (until: number, target: number) => {
    const step = perMs * (until - since);
    db = target < db ? Math.max(target, db - step) : Math.min(target, db + step);
    since = until;
  };
  for (const { from, until } of spans) {
    if (from >= at) break;
    move(from, 0);
    move(Math.min(until ?? at, at), -belowDb);
  }
  if (since < at) move(at, 0);
  return db;
}

/** What a listener hears at an instant, in decibels; null: not at all. */
export interface Heard {
  readonly floorDb: number;
  readonly channelDb: number | null;
}

/** A listener's mix of floor and channel, or of an interpreter's relay: the same rule for both. */
export const mixAt = (spans: readonly OpenSpan[] | null, at: number, belowDb: number): Heard => {
  if (spans === null) return { floorDb: 0, channelDb: null };
  const isOpen = spans.some(({ from, until }) => from <= at && (until === null || at < until));
  return { floorDb: floorDb(spans, at, belowDb), channelDb: isOpen ? 0 : null };
};
