import { isStageRole, team, type Markers, type Role, type Switches } from "../people";
import { isCurtainUp, type HourState } from "./hour/state";
import type { BoardState } from "./board/state";
import type { Surface } from "./board/ink";
import { drawsInSideRoom, sideBoardOf } from "./side-rooms/side-board";
import type { SideRoomsState } from "./side-rooms/state";
import { mayTurn, type SlidesState } from "./slides/state";

interface Seen {
  readonly hour: HourState;
  readonly board: BoardState;
  readonly slides: SlidesState;
}
interface Drawer {
  readonly ticketId: string;
  readonly role: Role;
}

const isOn = ({ shown }: SlidesState, { id, page }: Surface): boolean => shown?.deckId === id && shown.page === page;

/** Whether the house sees what stands on this surface now. */
export const isSurfaceShown = ({ hour, board, slides }: Seen, { id, page }: Surface): boolean =>
  isCurtainUp(hour) && (page === 0 ? board.openId === id : isOn(slides, { id, page }));

/** A hand that moves, on the feed of those who see what it moves on: what the house does not see goes behind. */
export const traceFor = <T extends { readonly type: "board.trace" | "board.trace-behind"; readonly surface: Surface }>(
  room: Seen | null,
  trace: T,
): T => ({ ...trace, type: room && isSurfaceShown(room, trace.surface) ? "board.trace" : "board.trace-behind" });

const isOfTeam = (role: Role): boolean => (team as readonly Role[]).includes(role);

/** Who draws on the boards: the team, whom the desk lets by place, and people by name (rule 22). */
export const drawsOnBoards = (
  { reach, drawerIds }: Pick<BoardState, "reach" | "drawerIds">,
  { ticketId, role }: Drawer,
): boolean =>
  isOfTeam(role) || drawerIds.includes(ticketId) || reach === "all" || (reach === "stage" && isStageRole(role));

/** Who draws on the page that is on: whom the switch names, and the team wherever anybody may (rule 20). */
export function marksPages(
  who: Markers,
  { role, isTurner }: { readonly role: Role; readonly isTurner: boolean },
): boolean {
  if (who === "nobody" || who === "all") return who === "all";
  return isOfTeam(role) || (isStageRole(role) && (who === "stage" || isTurner));
}

/** Who draws where: on boards that there are, on the page that is on, in one's side room; the audience only on what it sees. */
export function mayDraw(
  room: Seen & { readonly sideRooms: SideRoomsState },
  switches: Switches,
  drawer: Drawer,
  surface: Surface,
  at: number,
): boolean {
  const { ticketId, role } = drawer;
  const side = sideBoardOf(surface);
  if (side) return drawsInSideRoom(room.sideRooms, ticketId, side, at);
  if (!isStageRole(role) && !isSurfaceShown(room, surface)) return false;
  return surface.page > 0
    ? isOn(room.slides, surface) && marksPages(switches.marking.who, { role, isTurner: mayTurn(room.slides, ticketId) })
    : room.board.boardIds.includes(surface.id) && drawsOnBoards(room.board, drawer);
}
