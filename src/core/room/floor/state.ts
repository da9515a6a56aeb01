import { Book } from "../../shared";

/** What somebody may be given the floor with. */
export const floorParts = ["sound", "picture", "screen"] as const;
export type FloorPart = (typeof floorParts)[number];

/** So many hold the floor at once (rule 19); "everyone may speak" stands apart from it. */
export const mostHolders = 3;
/** A hand goes down by itself once its owner has been away for so long (rule 19); nobody keeps the floor longer either. */
export const voiceStaysAwayMs = 60_000;

/** Somebody who was offered the floor. Offered is not on: nothing opens without their own act. */
export interface Holder {
  readonly parts: readonly FloorPart[];
  readonly offeredAt: number;
  readonly acceptedAt: number | null;
  readonly isMicrophoneOpen: boolean;
  /** speaks because everyone may: goes with that */
  readonly isOfEveryone: boolean;
  /** brought on stage: the house sees them among the cast, until they go back to the house */
  readonly isOnStage: boolean;
}

export interface FloorState {
  /** raised hands, by ticket, with when */
  readonly hands: Book<{ readonly raisedAt: number }>;
  readonly holders: Book<Holder>;
  /** since when everyone may speak; null where nobody but holders may */
  readonly everyoneSince: number | null;
}

export const emptyFloor: FloorState = { hands: Book.empty(), holders: Book.empty(), everyoneSince: null };

/** Those who hold the floor by an offer: they alone count for the limit; whoever is on stage is no longer one of them. */
export const offeredCount = (floor: FloorState): number =>
  [...floor.holders].filter(([, holder]) => !holder.isOfEveryone && !holder.isOnStage).length;

/** The hands in their order: by when they were raised; raised again is at the end. */
export const handsInOrder = (floor: FloorState): readonly { readonly id: string; readonly raisedAt: number }[] =>
  [...floor.hands]
    .map(([id, { raisedAt }]) => ({ id, raisedAt }))
    .sort((a, b) => a.raisedAt - b.raisedAt || (a.id < b.id ? -1 : 1));
