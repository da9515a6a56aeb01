import { Book } from "../../shared";
import type { Surface } from "./ink";

/** Who of those who are asked draws on a board: the team always does. */
export const drawReaches = ["team", "stage", "all"] as const;
export type DrawReach = (typeof drawReaches)[number];

export interface BoardState {
  /** in the order they were made: a board's place here is its number */
  readonly boardIds: readonly string[];
  /** the one that the house sees */
  readonly openId: string | null;
  /** who opened or closed one last: their own acts overtake nobody; none in a room kept before this was */
  readonly moverId?: string | undefined;
  readonly reach: DrawReach;
  /** people who draw beside those, by name */
  readonly drawerIds: readonly string[];
  /** pages of slides on which something was drawn: the others need not be asked for */
  readonly markedPages: Book<true>;
}
export const noBoards: BoardState = {
  boardIds: [],
  openId: null,
  reach: "stage",
  drawerIds: [],
  markedPages: Book.empty(),
};

/** Boards of one date. */
export const mostBoards = 20;
export const mostDrawers = 50;

/** A page of slides by one word. */
export const pageKey = ({ id, page }: Surface): string => `${id}/${page}`;
export const boardSurface = (id: string): Surface => ({ id, page: 0 });
