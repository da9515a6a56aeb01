import { isStageRole, team, type Role, type Switches } from "../people";
import { isCurtainUp, type HourState } from "./hour/state";
import type { BoardState } from "./board/state";
import type { Surface } from "./board/ink";
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

/** Whether the house sees what stands on this surface now. */
export const isSurfaceShown = ({ hour, board, slides }: Seen, { id, page }: Surface): boolean =>
  isCurtainUp(hour) && (page === 0 ? board.openId === id : slides.shown?.deckId === id && slides.shown.page === page);

/**
 * Who draws where (rules 20, 22): on a board the team, and whom the desk lets; on the page that is on whom the switch
 * names. The audience draws only on what it sees.
 */
export function mayDraw(room: Seen, switches: Switches, { ticketId, role }: Drawer, surface: Surface): boolean {
  const isOfStage = isStageRole(role);
  if (!isOfStage && !isSurfaceShown(room, surface)) return false;
  if (surface.page > 0) {
    const { who } = switches.marking;
    if (who === "nobody") return false;
    if ((team as readonly Role[]).includes(role) || who === "all") return true;
    return who === "stage" ? isOfStage : isOfStage && mayTurn(room.slides, ticketId);
  }
  if (!room.board.boardIds.includes(surface.id)) return false;
  if ((team as readonly Role[]).includes(role) || room.board.drawerIds.includes(ticketId)) return true;
  return room.board.reach === "all" || (room.board.reach === "stage" && isOfStage);
}
