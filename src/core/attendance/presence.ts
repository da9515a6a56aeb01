import { differenceOf, intersectionOf, lengthOf, unionOf, type Interval, type IntervalSet } from "../time";

/** Gaps up to this long between a person's intervals are no absence: a reload (rule 13). */
export const closedGapMs = 30_000;

/** One span in which the curtain was up. `struck` spans were an accident and do not count. */
export interface CurtainSpan {
  readonly raisedAt: number;
  /** null while the curtain is up */
  readonly droppedAt: number | null;
  readonly isStruck: boolean;
}

/**
 * The show: the union of the curtain-up spans that were not struck out, without the spans in which the server
 * itself was away. An open span ends `now`.
 */
export function showOf(spans: readonly CurtainSpan[], now: number, away: IntervalSet = []): IntervalSet {
  const up = unionOf(
    spans
      .filter((span) => !span.isStruck)
      .map((span) => ({ start: span.raisedAt, end: Math.max(span.raisedAt, span.droppedAt ?? now) })),
  );
  return away.length === 0 ? up : differenceOf(up, away);
}

/** One connection: a person's device, in and out. A phone call is one too. */
export interface Connection {
  readonly personKey: string;
  readonly device: string;
  readonly inAt: number;
  /** null while it lives or when it was lost without goodbye */
  readonly outAt: number | null;
  readonly lastSignAt: number;
}

/** A connection lost without goodbye ends at its last sign of life. */
export const spanOf = (one: Connection): Interval => ({
  start: one.inAt,
  end: Math.max(one.inAt, one.outAt ?? one.lastSignAt),
});

/**
 * One person's presence within the show: devices that overlap count once, gaps of at most 30 s are
 * closed first, then the clip is made.
 */
export function presenceOf(connections: readonly Interval[], show: IntervalSet): IntervalSet {
  return intersectionOf(unionOf(connections, closedGapMs), show);
}

/** What a date's end leaves of its connections: an ended date has nobody in it, whatever a tab left open says. */
export const untilEnd = <C extends Connection>(connections: readonly C[], endedAt: number | null): readonly C[] =>
  endedAt === null
    ? connections
    : connections
        .filter((one) => one.inAt < endedAt)
        .map((one) => {
          const { end } = spanOf(one);
          return end <= endedAt ? one : { ...one, outAt: endedAt };
        });

/** Presence of everyone, by person. n log n in the number of connections. */
export function presenceByPerson(
  connections: readonly Connection[],
  show: IntervalSet,
): ReadonlyMap<string, IntervalSet> {
  const byPerson = new Map<string, Interval[]>();
  for (const one of connections) {
    const spans = byPerson.get(one.personKey);
    if (spans) spans.push(spanOf(one));
    else byPerson.set(one.personKey, [spanOf(one)]);
  }
  const out = new Map<string, IntervalSet>();
  for (const [person, spans] of byPerson) out.set(person, presenceOf(spans, show));
  return out;
}

/** Presence as minutes and as a share of the show in percent. */
export function measure(presence: IntervalSet, show: IntervalSet): { minutes: number; percent: number } {
  const present = lengthOf(presence);
  const whole = lengthOf(show);
  return { minutes: present / 60_000, percent: whole === 0 ? 0 : (present / whole) * 100 };
}
