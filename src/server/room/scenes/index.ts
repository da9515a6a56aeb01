import { sql } from "drizzle-orm";
import type { RoomServer } from "../room-server";

export const scenesServer: RoomServer = {
  command: ({ body }) => {
    if (body.type !== "scenes.set-holding") return null;
    const { type, countsDown, sound, showsPicture } = body;
    return { type, countsDown, sound, showsPicture };
  },
  async write(tx, { occurrenceId, organisationId }, { body }) {
    if (body.type !== "scenes.set-holding") return;
    await tx.execute(sql`
      insert into holding_pictures (occurrence_id, organisation_id, message) values (${occurrenceId}, ${organisationId}, ${body.message})
      on conflict (occurrence_id) do update set message = excluded.message`);
  },
  async notes(db, { occurrenceId }) {
    const { rows } = await db.execute(sql`
      select h.message, e.look->>'bannerId' as picture_id from occurrences o join events e on e.id = o.event_id
        left join holding_pictures h on h.occurrence_id = o.id where o.id = ${occurrenceId}`);
    const [row] = rows;
    const notes: (readonly [string, string])[] = [];
    if (row?.["message"]) notes.push(["scenes.message", String(row["message"])]);
    if (row?.["picture_id"]) notes.push(["scenes.picture", String(row["picture_id"])]);
    return notes;
  },
  wants: (body) => (body.type === "scenes.holding-set" ? [{ part: "notes" }] : []),
};
