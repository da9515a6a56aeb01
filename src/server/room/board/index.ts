import { sql } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import type { RoomServer } from "../room-server";
import { inkLogs } from "./acts";
import { draw } from "./draw";

export const boardServer: RoomServer = {
  // a board is named after the command that made it
  command: ({ body, commandId }) => (body.type === "board.make" ? { type: "board.make", boardId: commandId } : null),
  async write(tx, { occurrenceId, organisationId, now }, { body, commandId }) {
    if (body.type !== "board.make") return;
    await tx.execute(sql`
      insert into drawing_boards (id, organisation_id, occurrence_id, title, created_at)
      values (${commandId}, ${organisationId}, ${occurrenceId}, ${body.title}, ${new Date(now).toISOString()}::timestamptz)
      on conflict do nothing`);
  },
  fact: (db, place, fact) => draw(db, place, fact as Extract<FactBody, { type: "board.draw" }>),
  logs: inkLogs,
  async notes(db, { occurrenceId }) {
    const { rows } = await db.execute(
      sql`select id, title from drawing_boards where occurrence_id = ${occurrenceId} and side_room is null order by created_at limit 50`,
    );
    return rows.map((row) => [`board.${String(row["id"])}`, String(row["title"])] as const);
  },
  wants: (body) => (body.type === "board.made" ? [{ part: "notes" }] : []),
};
