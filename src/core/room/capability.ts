import type { Permission, Switches } from "../people";
import type { Result } from "../shared";
import type { MadeView } from "./changes";
import type { RoomDirectory, RoomFigures } from "./directory";
import type { HourEntry, HourState } from "./hour/state";
import type { Scene } from "./scene";
import type { Standing } from "./standing";

/** Whose act it is, and when. `system` for what time itself does. */
export interface By {
  readonly ticketId: string;
  readonly at: number;
}

/** What a capability is made of: its part of the room's state, and what may be asked and written. */
export interface Shape {
  readonly state: unknown;
  readonly command: { readonly type: string };
  readonly fact: { readonly type: string };
  readonly entry: { readonly type: string };
  readonly whisper: { readonly type: string };
}

/** What a decision may read beside the capability's own state. */
export interface Now {
  readonly hour: HourState;
  readonly scene: Scene;
  readonly switches: Switches;
}

/** What a view is made from: folded state, words by id, merged figures. */
export interface Sight<State> {
  readonly own: State;
  readonly hour: HourState;
  readonly switches: Switches;
  readonly words: RoomDirectory;
  readonly figures: RoomFigures;
}

/** A feed of small bounded state, sent as changes. `reads` names what else than the own state and the hour it is made from. */
export interface ViewTopic<State> {
  readonly isFor: (standing: Standing, switches: Switches) => boolean;
  readonly reads: readonly (keyof RoomDirectory | keyof RoomFigures)[];
  readonly make: (sight: Sight<State>) => MadeView;
}
/** A feed of rows that only grow; `window`: how many of the last come on joining. */
export interface LogTopic {
  readonly isFor: (standing: Standing, switches: Switches) => boolean;
  readonly window: number;
}

/**
 * What nobody keeps: a level, a pointer, a stroke in progress. Sent on to whoever may hear it, the last of each
 * person alone, at most four times a second; never journalled. Its type is the feed that carries it.
 */
export interface WhisperTopic<State = never> {
  readonly isFor: (standing: Standing, switches: Switches) => boolean;
  /** of what is said to one person alone, by `to`: whether this one may say it to that one. At once, in order, all of it */
  readonly mayTell?: (own: State, from: Standing, to: Standing) => boolean;
}

/** How fast one person may bring an act: so many at once, then one each so often. */
export interface Pace {
  readonly burst: number;
  readonly everyMs: number;
}

/** One capability of the hour. Types, entries and topics begin with its name. */
export interface Capability<C extends Shape> {
  readonly rights: { readonly [T in (C["command"] | C["fact"] | C["whisper"])["type"]]: Permission };
  readonly paces?: { readonly [T in (C["command"] | C["fact"] | C["whisper"])["type"]]?: Pace };
  readonly empty: C["state"];
  readonly decide: {
    readonly [T in C["command"]["type"]]: (
      own: C["state"],
      command: Extract<C["command"], { type: T }>,
      now: Now,
      by: By,
    ) => Result<readonly (C["entry"] | HourEntry)[]>;
  };
  readonly fold: {
    readonly [T in C["entry"]["type"]]: (
      own: C["state"],
      entry: Extract<C["entry"], { type: T }>,
      by: By,
    ) => C["state"];
  };
  /** what the hour's own rows mean here: open polls close when the date ends */
  readonly hears?: (own: C["state"], entry: HourEntry, by: By) => C["state"];
  /** what one person of the audience has of the state for themselves: sent to them alone */
  readonly own?: (own: C["state"], ticketId: string) => unknown;
  /** those whose own part differs between two states */
  readonly concerns?: (before: C["state"], after: C["state"]) => Iterable<string>;
  readonly views: Readonly<Record<string, ViewTopic<C["state"]>>>;
  readonly logs?: Readonly<Record<string, LogTopic>>;
  readonly whispers?: { readonly [T in C["whisper"]["type"]]: WhisperTopic<C["state"]> };
}
