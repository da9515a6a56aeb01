import { Book, groupBy } from "@/core/shared";
import type { RoomServer } from "../room-server";
import { moveStays } from "../stays";

export const stageServer: RoomServer = {
  async keep(tx, place, { stage: before }, { stage: after }) {
    const moved = [...Book.changes(before.people, after.people)].flatMap(([ticketId, was, is]) =>
      is && is.place !== was?.place ? [{ ticketId, to: is.place }] : [],
    );
    for (const [to, people] of groupBy(moved, (one) => one.to)) {
      await moveStays(
        tx,
        place,
        people.map((one) => one.ticketId),
        to,
      );
    }
  },
  wants: (body) => (body.type === "stage.entered" ? [{ part: "people", ids: [body.ticketId] }] : []),
};
