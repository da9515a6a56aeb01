import { sql } from "drizzle-orm";
import type { RoomServer } from "../room-server";

export const cuesServer: RoomServer = {
  command: ({ body }) =>
    body.type === "cues.set-lengths"
      ? { type: body.type, segmentIds: body.lengths.map(({ segmentId }) => segmentId) }
      : null,
  async write(tx, { occurrenceId }, { body }) {
    if (body.type !== "cues.set-lengths") return;
    await tx.execute(sql`
      update segments s set length_minutes = c.minutes
      from jsonb_to_recordset(${JSON.stringify(body.lengths)}::jsonb) as c("segmentId" uuid, minutes int)
      where s.id = c."segmentId" and s.occurrence_id = ${occurrenceId}`);
  },
  wants: (body) => (body.type === "cues.sheet-changed" ? [{ part: "segments" }, { part: "polls" }] : []),
};
