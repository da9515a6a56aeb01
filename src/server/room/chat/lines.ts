import { sql, type SQL } from "drizzle-orm";
import type { ChatLineView, LogRow } from "@/contracts";
import type { ChatTarget } from "@/core/room";
import type { Db } from "../../db/client";
import type { LogReader } from "../room-server";

interface Row {
  line_id: string;
  seq: number;
  rev: number;
  author_ticket_id: string;
  name: string | null;
  role: string;
  target: ChatTarget;
  with_ticket_id: string | null;
  with_name: string | null;
  text: string;
  state: string;
  is_question: number;
  at: string;
  answered_at: string | null;
}

/** A line as its feed carries it; what was removed or went elsewhere carries no word. */
export function toLogRow(row: Row, topic: string): LogRow {
  const isHere = row.state === (topic === "chat:held" ? "held" : "shown");
  const view: ChatLineView = {
    authorId: row.author_ticket_id,
    name: row.name ?? "",
    role: row.role,
    text: row.text,
    at: new Date(row.at).getTime(),
    to: row.target,
    withId: row.with_ticket_id,
    withName: row.with_name,
    isQuestion: row.is_question === 1,
    ...(row.answered_at ? { answeredAt: new Date(row.answered_at).getTime() } : {}),
  };
  return { id: row.line_id, seq: row.seq, rev: row.rev, row: isHere ? view : null };
}

const select = sql`
  select l.line_id, l.seq, l.rev, l.author_ticket_id, coalesce(t.room_name, p.name) as name, t.role, l.target, l.with_ticket_id, wp.name as with_name,
    l.text, l.state, l.is_question, l.at, l.answered_at
  from chat_lines l join tickets t on t.id = l.author_ticket_id join people p on p.id = t.person_id
    left join tickets wt on wt.id = l.with_ticket_id left join people wp on wp.id = wt.person_id`;

async function rowsOf(db: Db, query: SQL, topic: string): Promise<LogRow[]> {
  const { rows } = await db.execute(query);
  return (rows as unknown as Row[]).map((row) => toLogRow(row, topic));
}

/** One line where it stands now. */
export const lineAt = (db: Db, roomId: string, topic: string, lineId: string): Promise<LogRow[]> =>
  rowsOf(db, sql`${select} where l.room_id = ${roomId} and l.topic = ${topic} and l.line_id = ${lineId}`, topic);

export const chatLogs: LogReader = {
  after: (db, roomId, topic, rev, limit) =>
    rowsOf(
      db,
      sql`${select} where l.room_id = ${roomId} and l.topic = ${topic} and l.rev > ${rev} order by l.rev limit ${limit}`,
      topic,
    ),
  async before(db, roomId, topic, seq, limit) {
    const isHere = topic === "chat:held" ? "held" : "shown";
    const bound = seq === null ? sql`true` : sql`l.seq < ${seq}`;
    const rows = await rowsOf(
      db,
      sql`${select} where l.room_id = ${roomId} and l.topic = ${topic} and l.state = ${isHere} and ${bound} order by l.seq desc limit ${limit}`,
      topic,
    );
    return rows.reverse();
  },
};
