import type { FloorPart } from "./state";

/** A raised hand, as team and stage see it. */
export interface HandItem {
  readonly name: string;
  readonly raisedAt: number;
}
/** Somebody with the floor, or who was offered it, as team and stage see it. */
export interface HolderItem {
  readonly name: string;
  readonly parts: readonly FloorPart[];
  readonly hasAccepted: boolean;
  readonly isMicrophoneOpen: boolean;
  readonly isOfEveryone: boolean;
  readonly isOnStage: boolean;
}
export interface EveryoneItem {
  readonly isOn: boolean;
}
/** Somebody who is heard, as the house sees them. */
export interface HeardItem {
  readonly name: string;
}
/** What one person has of it for themselves. */
export interface OwnFloor {
  readonly isOnStage: boolean;
  readonly handAt: number | null;
  readonly parts: readonly FloorPart[] | null;
  readonly hasAccepted: boolean;
  readonly isMicrophoneOpen: boolean;
}
