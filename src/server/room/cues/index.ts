import type { RoomServer } from "../room-server";

export const cuesServer: RoomServer = {
  wants: (body) => (body.type === "cues.sheet-changed" ? [{ part: "segments" }, { part: "polls" }] : []),
};
