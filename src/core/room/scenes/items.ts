import type { Arrangement, Holding, SharedKind } from "./state";

/** The arrangement, for every screen. */
export interface SceneItem extends Arrangement {
  readonly shares: Readonly<Record<SharedKind, number>>;
  readonly speakerId: string | null;
}
/** What the holding picture says and sounds like. */
export interface HoldingItem extends Holding {
  readonly message: string;
  readonly pictureId: string | null;
}
/** How often it was changed, and how many of those can be taken back. */
export interface SceneChangesItem {
  readonly count: number;
  readonly past: number;
}
