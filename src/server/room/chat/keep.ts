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

/** Everything of the house's chat goes off the screens; the record keeps it. */
const clear = (tx: Db, { roomId }: RoomPlace) =>
  tx.execute(sql`
    with lines as (
      select seq, row_number() over (order by seq) as n from chat_lines
      where room_id = ${roomId} and topic = 'chat:house' and state = 'shown'),
    head as (
      update log_heads set head = head + (select count(*) from lines) where room_id = ${roomId} and topic = 'chat:house'
      returning head - (select count(*) from lines) as first)
    update chat_lines l set state = 'removed', rev = head.first + lines.n from lines, head
    where l.room_id = ${roomId} and l.topic = 'chat:house' and l.seq = lines.seq`);

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
        await clear(tx, place);
        break;
      default:
        break;
    }
  }
}
