import type { DeskView } from "@/core/room";
import type { InkSeat } from "@/features/shared/board/ink-pad";
import type { RoomLink } from "@/features/shared/room-link/use-room";
import type { DeskProps } from "./desk-props";

/** The desk as somebody who looks at boards and pages, and draws on them. */
export const deskSeat = (room: RoomLink<DeskView>, view: DeskView, props: DeskProps): InkSeat => ({
  link: room,
  occurrenceId: props.occurrenceId,
  as: null,
  ticketId: props.ticketId,
  markedPages: view.markedPages,
  nameOf: (id) => view.stage[id]?.name ?? view.audience[id]?.name ?? "",
});
