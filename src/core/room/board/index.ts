import { audience, live, onStage, running, team } from "../../people";
import { fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { isCurtainUp } from "../hour/state";
import { overtaken } from "../overtaken";
import { mostSideRooms } from "../side-rooms/state";
import { isInHouse, isOfTheStage, type Standing } from "../standing";
import type { InkBody, Mark, Surface } from "./ink";
import { mostBoards, noBoards, pageKey, type BoardState, type DrawReach } from "./state";

export type BoardCommand =
  | { type: "board.make"; boardId: string }
  /** `seen`: which one was open, so that of two who open at once the second is told */
  | { type: "board.open"; boardId: string; seen: string | null }
  | { type: "board.close" }
  | { type: "board.let-draw"; reach: DrawReach; drawerIds: readonly string[] };

export type BoardEntry =
  | { type: "board.made"; boardId: string }
  | { type: "board.opened"; boardId: string }
  | { type: "board.closed" }
  | { type: "board.drawing-let"; reach: DrawReach; drawerIds: readonly string[] }
  /** the first thing that was drawn on a page */
  | { type: "board.page-marked"; surface: Surface };

/** A stroke while the hand still draws it, or where somebody points. */
export interface Trace {
  readonly surface: Surface;
  /** null: only pointed */
  readonly mark: Mark | null;
  readonly x: number;
  readonly y: number;
}

export interface BoardShape {
  state: BoardState;
  command: BoardCommand;
  fact: { type: "board.draw"; surface: Surface; body: InkBody };
  /** `behind`: on what the house does not see */
  whisper: ({ type: "board.trace" } & Trace) | ({ type: "board.trace-behind" } & Trace);
  entry: BoardEntry;
}

const markedItems = ({ markedPages }: BoardState) =>
  Object.fromEntries([...markedPages].map(([key]) => [key, { isMarked: true as const }]));

/** Each side room's board has a feed of its own. */
export const sideInkTopicOf = (room: number): `board:side-${number}` => `board:side-${room}`;
const sideFeeds = Object.fromEntries(
  Array.from({ length: mostSideRooms }, (_, i) => [
    sideInkTopicOf(i + 1),
    {
      isFor: (standing: Standing) => standing.sideRoom === i + 1 && (isInHouse(standing) || isOfTheStage(standing)),
      window: 20,
    },
  ]),
);

const ofDesk = { roles: team, duty: "cues", phases: live } as const;
const done = (action: string) => fail({ code: "already-done", action } as const);
const isSame = (a: readonly string[], b: readonly string[]): boolean =>
  a.length === b.length && a.every((id) => b.includes(id));

/** Boards that are drawn on together (rule 22): which there are, which one everyone sees, and who draws. */
export const board = {
  rights: {
    "board.make": ofDesk,
    "board.open": ofDesk,
    "board.close": ofDesk,
    "board.let-draw": ofDesk,
    // on which surface is `mayDraw`'s: it knows the boards, the page that is on, and the switch
    "board.draw": { roles: [...onStage, ...audience], phases: running },
    "board.trace": { roles: onStage, phases: running },
    "board.trace-behind": { roles: onStage, phases: running },
  },
  // ten strokes a second each (rule 22)
  paces: {
    "board.draw": { burst: 40, everyMs: 80 },
    "board.trace": { burst: 40, everyMs: 80 },
    "board.trace-behind": { burst: 40, everyMs: 80 },
  },
  empty: noBoards,
  decide: {
    "board.make": (own, { boardId }) =>
      own.boardIds.length >= mostBoards
        ? fail({ code: "too-many-boards", most: mostBoards })
        : ok([{ type: "board.made", boardId } as const]),
    "board.open": (own, { boardId, seen }, _, { ticketId }) => {
      if (!own.boardIds.includes(boardId)) return fail({ code: "not-found", what: "board" });
      if (own.openId === boardId) return done("board.open");
      if (own.openId !== seen && own.moverId !== ticketId) return overtaken();
      return ok([{ type: "board.opened", boardId } as const]);
    },
    "board.close": (own) => (own.openId === null ? done("board.close") : ok([{ type: "board.closed" } as const])),
    "board.let-draw": (own, { reach, drawerIds }) =>
      own.reach === reach && isSame(own.drawerIds, drawerIds)
        ? done("board.let-draw")
        : ok([{ type: "board.drawing-let", reach, drawerIds } as const]),
  },
  fold: {
    "board.made": (own, { boardId }) => ({ ...own, boardIds: [...own.boardIds, boardId] }),
    "board.opened": (own, { boardId }, { ticketId }) => ({ ...own, openId: boardId, moverId: ticketId }),
    "board.closed": (own, _, { ticketId }) => ({ ...own, openId: null, moverId: ticketId }),
    "board.drawing-let": (own, { reach, drawerIds }) => ({ ...own, reach, drawerIds }),
    "board.page-marked": (own, { surface }) => ({
      ...own,
      markedPages: own.markedPages.with(pageKey(surface), true as const),
    }),
  },
  own: (own, ticketId) => ({ isDrawer: own.drawerIds.includes(ticketId) }),
  concerns: (before, after) => {
    const [old, now] = [new Set(before.drawerIds), new Set(after.drawerIds)];
    return [...old, ...now].filter((id) => old.has(id) !== now.has(id));
  },
  views: {
    "board:team": {
      isFor: isOfTheStage,
      reads: ["notes"],
      make: ({ own, words }) => ({
        board: { it: { openId: own.openId, reach: own.reach, drawerIds: own.drawerIds } },
        markedPages: markedItems(own),
        boards: Object.fromEntries(
          own.boardIds.map((id, i) => [id, { number: i + 1, title: words.notes.get(`board.${id}`) ?? "" }]),
        ),
      }),
    },
    "board:house": {
      isFor: isInHouse,
      reads: ["notes"],
      make: ({ own, hour, words }) => ({
        markedPages: markedItems(own),
        openBoard:
          own.openId && isCurtainUp(hour)
            ? {
                it: {
                  id: own.openId,
                  title: words.notes.get(`board.${own.openId}`) ?? "",
                  isForAll: own.reach === "all",
                },
              }
            : {},
      }),
    },
  },
  logs: {
    // a surface is read whole; what comes after it comes by these. What the house does not see has a feed of its own
    "board:shown": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing), window: 20 },
    "board:behind": { isFor: isOfTheStage, window: 20 },
    ...sideFeeds,
  },
  whispers: {
    "board.trace": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing) },
    "board.trace-behind": { isFor: isOfTheStage },
  },
} as const satisfies Capability<BoardShape>;
