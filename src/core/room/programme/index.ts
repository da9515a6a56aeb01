import { anyone, live, onStage } from "../../people";
import type { Capability, Sight } from "../capability";
import { isInHouse, isOfTheStage, type Standing } from "../standing";
import type { Section } from "../views";
import type { ProgrammeItem } from "./items";
import type { Signal } from "./signal";

/** Said in passing by a page whose devices are on: who may link to it. */
export interface HereWhisper {
  type: "programme.here";
  /** of this page: a person may have several */
  device: string;
  hasSound: boolean;
  hasPicture: boolean;
  /** from which their shared screen comes: a link of its own */
  screenDevice: string | null;
}
/** What the composer says of its own work: for the desk. */
export interface HealthWhisper {
  type: "programme.health";
  framesPerSecond: number;
  kilobitsPerSecond: number;
  /** pieces that wait to be sent */
  waiting: number;
  /** people whose media come, and how many of their packets were lost, in percent */
  links: readonly { readonly id: string; readonly lostPercent: number; readonly isLive: boolean }[];
}
export type ProgrammeWhisper =
  | HereWhisper
  | HealthWhisper
  /** between two pages: descriptions and candidates of their link (W3C WebRTC), by the receiver's device */
  | { type: "programme.signal"; to: string; device: string; forDevice: string; signal: Signal };

export interface ProgrammeShape {
  state: null;
  command: never;
  fact: never;
  whisper: ProgrammeWhisper;
  entry: never;
}

/** Among whom sound and picture go: the stage side, and whoever of the audience has the floor. */
const isHeardHere = (standing: Standing): boolean => isOfTheStage(standing) || standing.hasFloor === true;
const between = { roles: anyone, phases: live } as const;

const items = ({ figures, words }: Sight<null>): Section<ProgrammeItem> =>
  Object.fromEntries(
    [...figures.feeds].map(([feed, { holderId, isLate }]) => [
      feed,
      { holderId, holderName: words.people.get(holderId)?.name ?? "", isLate },
    ]),
  );

/** Sound and picture of the hour: links among the stage, the composed programme for the house (rule 26). */
export const programme = {
  rights: {
    "programme.here": between,
    "programme.health": { roles: onStage, phases: live },
    "programme.signal": between,
  },
  paces: {
    "programme.here": { burst: 6, everyMs: 500 },
    "programme.health": { burst: 4, everyMs: 500 },
    // a link to eight others is some two hundred candidates at once
    "programme.signal": { burst: 400, everyMs: 20 },
  },
  empty: null,
  decide: {},
  fold: {},
  views: {
    "programme:room": {
      isFor: (standing) => isInHouse(standing) || isOfTheStage(standing),
      reads: ["feeds", "people"],
      make: (sight) => ({ programme: items(sight) }),
    },
  },
  whispers: {
    "programme.here": { isFor: isHeardHere },
    "programme.health": { isFor: (standing) => standing.isAtDesk },
    "programme.signal": { isFor: () => false, mayTell: (_own, from, to) => isHeardHere(from) && isHeardHere(to) },
  },
} as const satisfies Capability<ProgrammeShape>;
