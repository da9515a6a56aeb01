import type { RoomServer } from "../room-server";

export const stageServer: RoomServer = {
  wants: (body) => (body.type === "stage.entered" ? [{ part: "people", ids: [body.ticketId] }] : []),
};
