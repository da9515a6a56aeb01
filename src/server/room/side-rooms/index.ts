import { sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { sideRoomNameNote, sideRoomsMessageNote, sideTopics } from "@/core/room";
import type { Db } from "../../db/client";
import { isStage } from "../../db/queries/roles";
import type { RoomPlace, RoomServer } from "../room-server";

/** Who is to be put into rooms: who is in the house, or everybody registered while nobody is. */
async function candidates(db: Db, { occurrenceId, now }: RoomPlace): Promise<readonly string[]> {
  const alive = new Date(now - signLostAfterMs).toISOString();
  const here = await db.execute(sql`
    select distinct ticket_id from stays where occurrence_id = ${occurrenceId} and to_at is null and last_sign_at > ${alive}::timestamptz and place = 'house'
      and ticket_id is not null and not ${isStage(sql`role`)} order by 1 limit 5000`);
  if (here.rows.length > 0) return here.rows.map((row) => String(row["ticket_id"]));
  const { rows } = await db.execute(sql`
    select id from tickets where occurrence_id = ${occurrenceId} and role = 'attendee' and status = 'registered'
      and revoked_at is null order by id limit 5000`);
  return rows.map((row) => String(row["id"]));
}

const sheet = (
  tx: Db,
  { occurrenceId, organisationId }: RoomPlace,
  names: readonly string[] | null,
  message: string | null,
) =>
  tx.execute(sql`
    insert into side_room_sheets (occurrence_id, organisation_id, names, message)
    values (${occurrenceId}, ${organisationId}, ${JSON.stringify(names ?? [])}::jsonb, ${message ?? ""})
    on conflict (occurrence_id) do update set
      names = case when ${names === null} then side_room_sheets.names else excluded.names end,
      message = case when ${message === null} then side_room_sheets.message else excluded.message end`);

/** Names of side rooms and the desk's words to all of them stand in an erasable table; the journal holds numbers. */
export const sideRoomsServer: RoomServer = {
  command: ({ body }) => {
    if (body.type === "sideRooms.make") return { type: body.type, count: body.count };
    return body.type === "sideRooms.tell" ? { type: body.type, isTold: body.text !== "" } : null;
  },
  about: async (db, place, body) => (body.type === "sideRooms.shuffle" ? candidates(db, place) : null),
  async write(tx, place, { body }) {
    if (body.type === "sideRooms.make") await sheet(tx, place, body.names, null);
    if (body.type === "sideRooms.tell") await sheet(tx, place, null, body.text);
  },
  async notes(db, { occurrenceId }) {
    const { rows } = await db.execute(
      sql`select names, message from side_room_sheets where occurrence_id = ${occurrenceId}`,
    );
    const row = rows[0] as { names: string[]; message: string } | undefined;
    if (!row) return [];
    const names = row.names.flatMap((name, i) => (name ? [[sideRoomNameNote(i + 1), name] as const] : []));
    return row.message ? [...names, [sideRoomsMessageNote, row.message] as const] : names;
  },
  // the words of the round before go off the screens
  touches: (body) => (body.type === "sideRooms.opened" ? { logs: sideTopics } : {}),
  wants: (body) => (body.type === "sideRooms.made" || body.type === "sideRooms.told" ? [{ part: "notes" }] : []),
};
