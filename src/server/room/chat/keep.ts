import { sql } from "drizzle-orm";
import { chatTopicOf, type JournalEntry } from "@/core/room";
import type { Db } from "../../db/client";
import type { RoomPlace } from "../room-server";

/** Marks a line where it stands; its feed's counter moves on, so that every screen hears of it. */
const mark = (tx: Db, { roomId }: RoomPlace, lineId: string, state: string) =>
  tx.execute(sql`
    with line as (select topic, seq from chat_lines where room_id = ${roomId} and line_id = ${lineId} and state in ('shown', 'held')),
    moved as (update log_heads h set head = h.head + 1 from line where h.room_id = ${roomId} and h.topic = line.topic returning h.topic, h.head)
    update chat_lines l set state = ${state}, rev = moved.head from line, moved
    where l.room_id = ${roomId} and l.topic = line.topic and l.seq = line.seq`);

/** A held line takes its place in the feed that it was meant for, as if it had just come. */
async function letThrough(tx: Db, place: RoomPlace, lineId: string): Promise<void> {
  const { roomId, organisationId } = place;
  await mark(tx, place, lineId, "moved");
  await tx.execute(sql`
    with place as (
      insert into log_heads (room_id, topic, organisation_id, head) values (${roomId}, ${chatTopicOf("all", false)}, ${organisationId}, 1)
      on conflict (room_id, topic) do update set head = log_heads.head + 1 returning topic, head)
    insert into chat_lines (room_id, topic, seq, rev, organisation_id, line_id, author_ticket_id, target, with_ticket_id, text, state, is_question, at)
    select l.room_id, place.topic, place.head, place.head, l.organisation_id, l.line_id, l.author_ticket_id, l.target, l.with_ticket_id,
      l.text, 'shown', l.is_question, l.at
    from chat_lines l, place where l.room_id = ${roomId} and l.topic = 'chat:held' and l.line_id = ${lineId}`);
}

/**
 * Everything of these feeds goes off the screens; the record keeps it.
 * @param feeds as SQL's LIKE has them
 * @param state `past`: not taken away by anybody, its time was over
 */
const takeOff = (tx: Db, { roomId }: RoomPlace, feeds: string, state: "removed" | "past") =>
  tx.execute(sql`
    with lines as (
      select topic, seq, row_number() over (partition by topic order by seq) as n from chat_lines
      where room_id = ${roomId} and topic like ${feeds} and state = 'shown'),
    counts as (select topic, count(*) as n from lines group by topic),
    heads as (
      update log_heads h set head = h.head + counts.n from counts where h.room_id = ${roomId} and h.topic = counts.topic
      returning h.topic, h.head - counts.n as first)
    update chat_lines l set state = ${state}, rev = heads.first + lines.n from lines join heads on heads.topic = lines.topic
    where l.room_id = ${roomId} and l.topic = lines.topic and l.seq = lines.seq`);

/** The line shows that it became a question; the question has its words, its author and its time. */
async function asQuestion(tx: Db, place: RoomPlace, lineId: string): Promise<void> {
  const { roomId, occurrenceId } = place;
  await tx.execute(sql`
    insert into questions (id, organisation_id, occurrence_id, asker_ticket_id, text, asked_at)
    select l.line_id, l.organisation_id, ${occurrenceId}, l.author_ticket_id, l.text, l.at from chat_lines l
    where l.room_id = ${roomId} and l.line_id = ${lineId} limit 1 on conflict do nothing`);
  await tx.execute(sql`
    with line as (select topic, seq from chat_lines where room_id = ${roomId} and line_id = ${lineId} and state in ('shown', 'held')),
    moved as (update log_heads h set head = h.head + 1 from line where h.room_id = ${roomId} and h.topic = line.topic returning h.topic, h.head)
    update chat_lines l set is_question = 1, rev = moved.head from line, moved
    where l.room_id = ${roomId} and l.topic = line.topic and l.seq = line.seq`);
}

/** Brings the lines in step with what the journal says of them. */
export async function keepLines(tx: Db, place: RoomPlace, entries: readonly JournalEntry[]): Promise<void> {
  for (const { body } of entries) {
    switch (body.type) {
      case "chat.line-let-through":
        await letThrough(tx, place, body.lineId);
        break;
      case "chat.line-taken-away":
        await mark(tx, place, body.lineId, "removed");
        break;
      case "chat.line-asked":
        await asQuestion(tx, place, body.lineId);
        break;
      case "chat.cleared":
        await takeOff(tx, place, "chat:house", "removed");
        break;
      // whoever is in a room this time reads nothing of those who were there before
      case "sideRooms.opened":
        await takeOff(tx, place, "chat:side-%", "past");
        break;
      default:
        break;
    }
  }
}
