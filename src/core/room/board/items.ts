import type { DrawReach } from "./state";

/** Which board the house sees, and who draws. */
export interface BoardItem {
  readonly openId: string | null;
  readonly reach: DrawReach;
  readonly drawerIds: readonly string[];
}
export interface BoardTitleItem {
  readonly number: number;
  readonly title: string;
}
export interface HouseBoardItem {
  readonly id: string;
  readonly title: string;
  /** everybody may draw */
  readonly isForAll: boolean;
}
/** A page of slides that something was drawn on, by its key. */
export interface MarkedPageItem {
  readonly isMarked: true;
}
