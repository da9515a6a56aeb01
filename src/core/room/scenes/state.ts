import type { Counted } from "../overtaken";

/** What the picture shows (rule 23), in the order of their keys 1–9. */
export const sceneKinds = [
  "all",
  "one",
  "two",
  "document-one",
  "document",
  "board",
  "holding",
  "screen-one",
  "screen",
] as const;
export type SceneKind = (typeof sceneKinds)[number];

/** Kinds whose first part may be made larger or smaller, and what it has of the picture at first, in percent. */
export const firstShares = { two: 50, "document-one": 76, "screen-one": 76, screen: 50 } as const;
export type SharedKind = keyof typeof firstShares;
export const leastShare = 25;
export const mostShare = 85;

/** What is heard while the holding picture stands. */
export const holdingSounds = ["silence", "surf"] as const;
export type HoldingSound = (typeof holdingSounds)[number];

export interface Arrangement {
  /** null: by itself, from what is open: a screen, else the board, else the document with one person, else all on stage */
  readonly kind: SceneKind | null;
  /** whom the desk put into it; who is missing is found by who speaks */
  readonly personIds: readonly string[];
}
export interface Holding {
  readonly countsDown: boolean;
  readonly sound: HoldingSound;
  /** the event's own picture stands behind the words */
  readonly showsPicture: boolean;
}
export interface ScenesState extends Counted {
  readonly now: Arrangement;
  /** the ones before, the last at the end */
  readonly past: readonly Arrangement[];
  readonly shares: Readonly<Record<SharedKind, number>>;
  /** who took the picture last by speaking */
  readonly speakerId: string | null;
  readonly holding: Holding;
}
export const noScene: ScenesState = {
  now: { kind: null, personIds: [] },
  past: [],
  changes: 0,
  shares: firstShares,
  speakerId: null,
  holding: { countsDown: true, sound: "silence", showsPicture: true },
};
/** So many are brought back one by one. */
export const mostPast = 20;
