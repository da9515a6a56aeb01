/** What the audience can say by one tap (rule 21). */
export const signalKinds = ["applause", "laughter", "yes", "no", "cannot-hear", "too-fast"] as const;
export type SignalKind = (typeof signalKinds)[number];
/** Those that say something is wrong. */
export const troubleSignals = ["cannot-hear", "too-fast"] as const satisfies readonly SignalKind[];

/** One of a kind a person each so often. */
export const signalEveryMs = 3000;
/** Shown are the people of so long, and trouble is looked for over so long. */
export const shownForMs = 10_000;
export const troubleForMs = 60_000;
/** The record keeps counts for each of these. */
export const recordedEveryMs = 10_000;
const leastInTrouble = 3;
const leastShareInTrouble = 0.05;

export interface Signal {
  readonly kind: SignalKind;
  readonly ticketId: string;
  readonly at: number;
}
/** How many different people gave a signal: just now, and within the last minute. */
export interface SignalRate {
  readonly now: number;
  readonly minute: number;
}

/** Different people by kind; kinds that nobody gave within the minute are left out. */
export function signalRates(given: Iterable<Signal>, now: number): ReadonlyMap<SignalKind, SignalRate> {
  const people = new Map<SignalKind, { now: Set<string>; minute: Set<string> }>();
  for (const { kind, ticketId, at } of given) {
    if (at <= now - troubleForMs || at > now) continue;
    const of = people.get(kind) ?? { now: new Set(), minute: new Set() };
    people.set(kind, of);
    of.minute.add(ticketId);
    if (at > now - shownForMs) of.now.add(ticketId);
  }
  return new Map([...people].map(([kind, of]) => [kind, { now: of.now.size, minute: of.minute.size }]));
}

/** Whether a signal is trouble: from at least three people, and from at least 5 % of the house, within the minute. */
export const isTrouble = (kind: SignalKind, { minute }: SignalRate, house: number): boolean =>
  (troubleSignals as readonly SignalKind[]).includes(kind) &&
  minute >= leastInTrouble &&
  minute >= house * leastShareInTrouble;
