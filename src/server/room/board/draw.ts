import { sql } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import { isStageRole } from "@/core/people";
import {
  isSurfaceShown,
  mayDraw,
  pageKey,
  sideBoardOf,
  sideInkTopicOf,
  type InkBody,
  type RoomState,
} from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { roomOf } from "../../db/queries/journal";
import { idArray } from "../../db/queries/any-of";
import type { FactOutcome, FactPlace } from "../room-server";
import { actAt, mostActs } from "./acts";

type Draw = Extract<FactBody, { type: "board.draw" }>;

/** The audience wipes out only what is its own, and never everything. */
async function asAllowed(db: Db, place: FactPlace, body: InkBody): Promise<InkBody> {
  if (isStageRole(place.actor.role)) return body;
  if (body.do === "clear") throw new Refusal({ code: "not-allowed", action: "board.draw" });
  if (body.do !== "erase") return body;
  const { rows } = await db.execute(sql`
    select a.act_id from ink_acts a join rooms r on r.id = a.room_id and r.occurrence_id = ${place.occurrenceId}
    where a.author_ticket_id = ${place.actorId} and a.act_id = any(${idArray(body.ids)})`);
  return { do: "erase", ids: rows.map((row) => String(row["act_id"])) };
}

/** A side room's board is among the date's from its first stroke on; the main room's list never has it. */
const keepSideBoard = (place: FactPlace, boardId: string, sideRoom: number) => sql`
    board as (
      insert into drawing_boards (id, organisation_id, occurrence_id, title, side_room, created_at)
      select ${boardId}, ${place.organisationId}, o.id, coalesce(s.names ->> ${sideRoom - 1}::int, ''), ${sideRoom},
        ${new Date(place.now).toISOString()}::timestamptz
      from occurrences o left join side_room_sheets s on s.occurrence_id = o.id where o.id = ${place.occurrenceId}
      on conflict do nothing),`;

/**
 * One act onto a surface: one statement takes its place there and in the feed, and writes it. A repeated id finds it
 * there and writes nothing.
 */
export async function draw(db: Db, place: FactPlace, { surface, body }: Draw): Promise<FactOutcome> {
  const room = place.room ?? (await roomOf(db, place.occurrenceId));
  const drawer = { ticketId: place.actorId, role: place.actor.role };
  if (!mayDraw(room, place.switches, drawer, surface, place.now))
    throw new Refusal({ code: "not-allowed", action: "board.draw" });
  const written = await asAllowed(db, place, body);
  const side = sideBoardOf(surface);
  const topic = side ? sideInkTopicOf(side.room) : isSurfaceShown(room, surface) ? "board:shown" : "board:behind";
  const counter = `ink:${surface.id}:${surface.page}`;
  const at = new Date(place.now).toISOString();
  const head = (name: string) => sql`insert into log_heads (room_id, topic, organisation_id, head)
      select id, ${name}, ${place.organisationId}, 1 from room where not exists (select 1 from known) and not exists (select 1 from "full")
      on conflict (room_id, topic) do update set head = log_heads.head + 1 returning head`;
  const { rows } = await db.execute(sql`
    with ${side ? keepSideBoard(place, surface.id, side.room) : sql``} room as (select id from rooms where occurrence_id = ${place.occurrenceId} and parent_id is null),
    known as (select 1 from ink_acts where room_id = (select id from room) and act_id = ${place.commandId}),
    "full" as (select 1 from log_heads where room_id = (select id from room) and topic = ${counter} and head >= ${mostActs}),
    place as (${head(counter)}), feed as (${head(topic)}),
    written as (
      insert into ink_acts (room_id, surface_id, page, n, topic, rev, organisation_id, act_id, author_ticket_id, body, at)
      select room.id, ${surface.id}, ${surface.page}, place.head, ${topic}, feed.head, ${place.organisationId}, ${place.commandId},
        ${place.actorId}, ${JSON.stringify(written)}::jsonb, ${at}::timestamptz from room, place, feed
      returning room_id)
    select (select room_id from written) as room_id, exists (select 1 from "full") as is_full`);
  const [row] = rows;
  if (row?.["is_full"] === true) throw new Refusal({ code: "board-full" });
  const roomId = row?.["room_id"] as string | null;
  if (!roomId) return {};
  const isKnown = (now: RoomState) => surface.page === 0 || now.board.markedPages.has(pageKey(surface));
  return {
    lines: { topic, rows: await actAt(db, roomId, place.commandId) },
    ...(isKnown(room) ? {} : { causes: (now) => (isKnown(now) ? [] : [{ type: "board.page-marked", surface }]) }),
  };
}
