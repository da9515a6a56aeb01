import type { StageView } from "@/core/room";
import type { InkSeat } from "../board/ink-pad";
import type { RoomLink } from "../room-link/use-room";

/** How somebody of the stage looks at what is drawn. */
export const stageSeat = (
  room: RoomLink<StageView>,
  view: StageView,
  at: { readonly occurrenceId: string; readonly ticketId: string },
): InkSeat => ({
  link: room,
  occurrenceId: at.occurrenceId,
  as: at.ticketId,
  ticketId: at.ticketId,
  markedPages: view.markedPages,
  nameOf: (id) => view.stage[id]?.name ?? view.floor[id]?.name ?? "",
});
