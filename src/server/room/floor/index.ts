import { and, eq, isNull, or } from "drizzle-orm";
import type { Db } from "../../db/client";
import { tickets } from "../../db/schema";
import { Refusal } from "@/core/shared";
import type { RoomPlace, RoomServer } from "../room-server";

/** How somebody is called in this room; their ticket and every file keep the name they registered with. */
async function callThem(tx: Db, place: RoomPlace, ticketId: string, name: string): Promise<void> {
  const changed = await tx
    .update(tickets)
    .set({ roomName: name })
    .where(
      and(
        eq(tickets.id, ticketId),
        eq(tickets.eventId, place.eventId),
        or(eq(tickets.occurrenceId, place.occurrenceId), isNull(tickets.occurrenceId)),
        isNull(tickets.revokedAt),
      ),
    )
    .returning({ id: tickets.id });
  if (changed.length === 0) throw new Refusal({ code: "not-found", what: "person" });
}

/** The journal is the whole record of hands and floor; a row brings the name of whoever it is about. */
export const floorServer: RoomServer = {
  command({ body }) {
    if (body.type === "floor.rename") return { type: body.type, ticketId: body.ticketId };
    return body.type === "floor.rename-self" ? { type: body.type } : null;
  },
  async write(tx, place, { body, actorId }) {
    if (body.type === "floor.rename") await callThem(tx, place, body.ticketId, body.name);
    if (body.type === "floor.rename-self") await callThem(tx, place, actorId, body.name);
  },
  wants(body) {
    if (!("ticketId" in body) || body.type === "floor.ended") return [];
    const isAgain = body.type === "floor.renamed";
    return [{ part: "people", ids: [body.ticketId], ...(isAgain ? { isAgain } : {}) }];
  },
  async concerns(_, body) {
    return body.type === "floor.renamed" ? [body.ticketId] : [];
  },
};
