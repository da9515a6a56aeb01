import type { RoomServer } from "../room-server";

/** Decks stand in a list of their own: a row says that they are to be read again. */
export const slidesServer: RoomServer = {
  wants: (body) => (body.type === "slides.decks-changed" ? [{ part: "decks" }] : []),
};
