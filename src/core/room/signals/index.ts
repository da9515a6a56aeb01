import { audience } from "../../people";
import type { Capability, Sight } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { isTrouble, type SignalKind } from "./rates";

export {
  isTrouble,
  recordedEveryMs,
  shownForMs,
  signalEveryMs,
  signalKinds,
  signalRates,
  troubleForMs,
  troubleSignals,
  type Signal,
  type SignalKind,
  type SignalRate,
} from "./rates";

export interface SignalsShape {
  /** nothing of it is journalled: the record keeps counts */
  state: null;
  command: never;
  fact: { type: "signals.give"; kind: SignalKind };
  whisper: never;
  entry: never;
}
type SignalsSight = Sight<null>;

/** The people in the house, test guests left out: the base of every share. */
function houseOf({ figures, words }: SignalsSight): number {
  let count = 0;
  for (const [id, place] of figures.present)
    if (place === "house" && words.people.get(id)?.role === "attendee") count += 1;
  return count;
}

/** How many give which signal just now; never who. */
function rates(sight: SignalsSight) {
  const signals: Record<string, { count: number }> = {};
  for (const [kind, rate] of sight.figures.signals) if (rate.now > 0) signals[kind] = { count: rate.now };
  return { signals };
}

/** What of it is trouble, for the in-tray and for whoever leads. */
function troubles(sight: SignalsSight) {
  const found: Record<string, { count: number; house: number }> = {};
  const house = sight.figures.signals.size === 0 ? 0 : houseOf(sight);
  for (const [kind, rate] of sight.figures.signals) {
    if (isTrouble(kind, rate, house)) found[kind] = { count: rate.minute, house };
  }
  return { ...rates(sight), troubles: found };
}

/** Signals: one tap each, shown as rates (rule 21). */
export const signals = {
  rights: { "signals.give": { roles: audience, phases: ["open"], needs: { switch: "signals" } } },
  // six kinds, one each so often: a lively person is not held up
  paces: { "signals.give": { burst: 8, everyMs: 700 } },
  empty: null,
  decide: {},
  fold: {},
  views: {
    "signals:house": { isFor: isInHouse, reads: ["signals"], make: rates },
    "signals:team": { isFor: isOfTheStage, reads: ["signals", "present", "people"], make: troubles },
  },
} as const satisfies Capability<SignalsShape>;
