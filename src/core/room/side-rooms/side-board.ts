import { boardSurface } from "../board/state";
import type { Surface } from "../board/ink";
import { areSidesOpen, sideRoomOf, type SideRoomsState } from "./state";

/** Which opening and which room a board belongs to. */
export interface SideBoard {
  readonly opensAt: number;
  readonly room: number;
}

/**
 * The board of a side room: each opening begins with empty ones. Its id says whose it is and needs no row to be known:
 * a UUID of version 8 (RFC 9562, 5.8: own use) with the room's number and the millisecond of the opening.
 */
export const sideBoardId = ({ opensAt, room }: SideBoard): string =>
  `00000000-0000-8000-80${room.toString(16).padStart(2, "0")}-${opensAt.toString(16).padStart(12, "0")}`;

const shape = /^00000000-0000-8000-80([0-9a-f]{2})-([0-9a-f]{12})$/;

/** @returns null for a board of the main room, and for a page of slides */
export function sideBoardOf({ id, page }: Surface): SideBoard | null {
  const [, room, opensAt] = (page === 0 && shape.exec(id)) || [];
  return room && opensAt ? { room: parseInt(room, 16), opensAt: parseInt(opensAt, 16) } : null;
}

/** What is drawn on in this room at this opening; null before the first one. */
export const sideSurface = ({ opensAt }: Pick<SideRoomsState, "opensAt">, room: number): Surface | null =>
  opensAt === null ? null : boardSurface(sideBoardId({ opensAt, room }));

/** Whether this is what the people of that room draw on now: the boards of earlier openings were others'. */
export const isSideSurfaceOf = (
  own: Pick<SideRoomsState, "opensAt">,
  room: number | null,
  surface: Surface,
): boolean => {
  const board = sideBoardOf(surface);
  return board !== null && board.room === room && board.opensAt === own.opensAt;
};

/** Whether somebody draws there now: whoever is in that room, or looks in on it, while the rooms are open. */
export const drawsInSideRoom = (own: SideRoomsState, ticketId: string, board: SideBoard, at: number): boolean =>
  board.opensAt === own.opensAt && areSidesOpen(own, at) && sideRoomOf(own, ticketId) === board.room;
