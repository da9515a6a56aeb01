import type { RoomServer } from "../room-server";

/** The journal is the whole record of hands and floor; a row brings the name of whoever it is about. */
export const floorServer: RoomServer = {
  wants: (body) =>
    "ticketId" in body && body.type !== "floor.ended" ? [{ part: "people", ids: [body.ticketId] }] : [],
};
