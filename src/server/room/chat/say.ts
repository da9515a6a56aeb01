import { sql } from "drizzle-orm";
import type { FactBody } from "@/contracts";
import { isStageRole } from "@/core/people";
import {
  areSidesOpen,
  chatTopicOf,
  mayWriteTo,
  sideAsksTopicOf,
  sideRoomOf,
  sideTopicOf,
  type RoomState,
} from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { roomOf } from "../../db/queries/journal";
import type { FactOutcome, FactPlace } from "../room-server";
import { lineAt } from "./lines";

type Say = Extract<FactBody, { type: "chat.say" }>;

/** Whom a note is with: the desk names the person; a person writes to the desk, and it is with themselves. */
async function withWhom(db: Db, place: FactPlace, { to, withId }: Say): Promise<string | null> {
  if (to !== "note") return null;
  if (!withId) throw new Refusal({ code: "not-found", what: "person" });
  const { rows } = await db.execute(sql`
    select 1 from tickets t join occurrences o on o.event_id = t.event_id and o.id = ${place.occurrenceId} where t.id = ${withId}`);
  if (rows.length === 0) throw new Refusal({ code: "not-found", what: "person" });
  return withId;
}

/** The side room that somebody is in now: words go nowhere else, and only while the rooms are open. */
export function ownSideRoom({ sideRooms }: RoomState, { actorId, now }: FactPlace): number {
  const room = sideRoomOf(sideRooms, actorId);
  if (room === null || !areSidesOpen(sideRooms, now)) throw new Refusal({ code: "sides-not-open" });
  return room;
}

/** An answer to a note goes the way the note came: whoever was written to may write back. */
async function mayAnswer(db: Db, place: FactPlace): Promise<boolean> {
  const { rows } = await db.execute(sql`
    select 1 from chat_lines l join rooms r on r.id = l.room_id and r.occurrence_id = ${place.occurrenceId}
    where l.with_ticket_id = ${place.actorId} and l.author_ticket_id <> ${place.actorId} limit 1`);
  return rows.length > 0;
}

/**
 * One line, where it belongs: one statement takes its place in the feed and writes it. A repeated id finds
 * it there and writes nothing.
 */
export async function say(db: Db, place: FactPlace, fact: Say): Promise<FactOutcome> {
  const room = place.room ?? (await roomOf(db, place.occurrenceId));
  const { switches } = place;
  const isGuest = !isStageRole(place.actor.role);
  const isAnswer = isGuest && fact.to === "note";
  // a side room talks whatever the house may write
  const isAllowed =
    fact.to === "side" || (isAnswer ? await mayAnswer(db, place) : mayWriteTo(place.actor, fact.to, switches.chat.to));
  if (!isAllowed) throw new Refusal({ code: "switched-off", what: "chat" });
  const withId = isAnswer ? place.actorId : await withWhom(db, place, fact);
  const sideRoom = fact.to === "side" ? ownSideRoom(room, place) : null;
  const isHeld = isGuest && fact.to === "all" && (switches.chat.isHeld || room.chat.heldPeople.has(place.actorId));
  const topic =
    fact.to === "side" ? (fact.isAsked ? sideAsksTopicOf : sideTopicOf)(sideRoom!) : chatTopicOf(fact.to, isHeld);
  const at = new Date(place.now).toISOString();
  const { rows } = await db.execute(sql`
    with room as (select id from rooms where occurrence_id = ${place.occurrenceId} and parent_id is null),
    known as (select topic from chat_lines where room_id = (select id from room) and line_id = ${place.commandId}),
    place as (insert into log_heads (room_id, topic, organisation_id, head)
      select id, ${topic}, ${place.organisationId}, 1 from room where not exists (select 1 from known)
      on conflict (room_id, topic) do update set head = log_heads.head + 1 returning head)
    insert into chat_lines (room_id, topic, seq, rev, organisation_id, line_id, author_ticket_id, target, with_ticket_id, text, state, at)
    select room.id, ${topic}, place.head, place.head, ${place.organisationId}, ${place.commandId}, ${place.actorId}, ${fact.to}, ${withId},
      ${fact.text}, ${isHeld ? "held" : "shown"}, ${at}::timestamptz from room, place
    returning room_id`);
  const written = rows[0]?.["room_id"] as string | undefined;
  if (!written) return { answer: { isHeld } };
  return {
    lines: { topic, rows: await lineAt(db, written, topic, place.commandId) },
    concerns: withId ? [withId] : [],
    answer: { isHeld },
  };
}
