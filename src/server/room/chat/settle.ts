import { sql } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import { sideAsksTopicOf } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { roomOf } from "../../db/queries/journal";
import type { FactOutcome, FactPlace } from "../room-server";
import { lineAt } from "./lines";
import { ownSideRoom } from "./say";

type Settle = Extract<FactBody, { type: "chat.settle" }>;

/** A question of one's own side room is called answered, or open again: by anybody who is in it. */
export async function settle(db: Db, place: FactPlace, { lineId, isAnswered }: Settle): Promise<FactOutcome> {
  const room = place.room ?? (await roomOf(db, place.occurrenceId));
  const topic = sideAsksTopicOf(ownSideRoom(room, place));
  const at = isAnswered ? sql`${new Date(place.now).toISOString()}::timestamptz` : sql`null`;
  const { rows } = await db.execute(sql`
    with line as (select l.room_id, l.seq, (l.answered_at is not null) = ${isAnswered} as is_known
      from chat_lines l join rooms r on r.id = l.room_id and r.occurrence_id = ${place.occurrenceId} and r.parent_id is null
      where l.topic = ${topic} and l.line_id = ${lineId} and l.state = 'shown'),
    moved as (update log_heads h set head = h.head + 1 from line
      where h.room_id = line.room_id and h.topic = ${topic} and not line.is_known returning h.head),
    written as (update chat_lines l set answered_at = ${at}, rev = moved.head from line, moved
      where l.room_id = line.room_id and l.topic = ${topic} and l.seq = line.seq)
    select line.room_id, line.is_known from line`);
  const [line] = rows;
  if (!line) throw new Refusal({ code: "not-found", what: "chat line" });
  if (line["is_known"] === true) return {};
  return { lines: { topic, rows: await lineAt(db, String(line["room_id"]), topic, lineId) } };
}
