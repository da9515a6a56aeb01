import { sql } from "drizzle-orm";
import type { FactBody, OwnLine } from "@/contracts";
import { sideTopics, type LineFacts } from "@/core/room";
import { groupBy } from "@/core/shared";
import type { Db } from "../../db/client";
import { executeNamed } from "../../db/named";
import { idArray } from "../../db/queries/any-of";
import type { RoomServer } from "../room-server";
import { keepLines } from "./keep";
import { chatLogs } from "./lines";
import { say } from "./say";
import { settle } from "./settle";

async function lineFacts(db: Db, roomId: string, lineId: string): Promise<LineFacts | null> {
  const { rows } = await db.execute(sql`
    select author_ticket_id, state, target, is_question from chat_lines
    where room_id = ${roomId} and line_id = ${lineId} and state <> 'moved'`);
  const row = rows[0] as
    | { author_ticket_id: string; state: LineFacts["state"]; target: LineFacts["target"]; is_question: number }
    | undefined;
  if (!row) return null;
  const { author_ticket_id: authorId, state, target, is_question } = row;
  return { id: lineId, authorId, state, target, isQuestion: is_question === 1 };
}

const mostOwnLines = 50;

/** What each of several people has of their own: notes with the desk, and lines that wait to be let through. */
async function ownLines(db: Db, occurrenceId: string, ticketIds: readonly string[]) {
  const ids = idArray(ticketIds);
  const most = ticketIds.length * mostOwnLines;
  const { rows } = await executeNamed(
    db,
    sql`
    select l.line_id, l.author_ticket_id, l.text, l.at, l.state, coalesce(l.with_ticket_id, l.author_ticket_id) as whose
    from chat_lines l join rooms r on r.id = l.room_id and r.occurrence_id = ${occurrenceId}
    where (l.with_ticket_id = any(${ids}) and l.state = 'shown') or (l.author_ticket_id = any(${ids}) and l.state = 'held')
    order by l.at, l.seq limit ${most}`,
  );
  const by = groupBy(rows, (row) => String(row["whose"]));
  const line = (row: Record<string, unknown>): OwnLine => ({
    id: String(row["line_id"]),
    text: String(row["text"]),
    at: new Date(row["at"] as string).getTime(),
    isMine: row["author_ticket_id"] === row["whose"],
    state: row["state"] === "held" ? "held" : "note",
  });
  return new Map(ticketIds.map((id) => [id, { chat: { lines: (by.get(id) ?? []).map(line) } }]));
}

export const chatServer: RoomServer = {
  command: ({ body }) => (body.type === "chat.set-entry-note" ? { type: body.type, isSet: body.text !== "" } : null),
  about: async (db, { roomId }, body) => ("lineId" in body ? lineFacts(db, roomId, body.lineId) : null),
  async write(tx, { roomId, organisationId }, { body }) {
    if (body.type !== "chat.set-entry-note") return;
    await tx.execute(sql`
      insert into chat_entry_notes (room_id, organisation_id, text) values (${roomId}, ${organisationId}, ${body.text})
      on conflict (room_id) do update set text = excluded.text`);
  },
  keep: (tx, place, _before, _after, entries) => keepLines(tx, place, entries),
  fact: (db, place, fact) =>
    fact.type === "chat.settle"
      ? settle(db, place, fact)
      : say(db, place, fact as Extract<FactBody, { type: "chat.say" }>),
  own: ownLines,
  logs: chatLogs,
  async notes(db, { occurrenceId }) {
    const { rows } = await db.execute(sql`
      select n.text from chat_entry_notes n join rooms r on r.id = n.room_id where r.occurrence_id = ${occurrenceId} and r.parent_id is null`);
    const text = rows[0]?.["text"] as string | undefined;
    return text ? [["chat.entry", text]] : [];
  },
  wants(body) {
    if (body.type === "chat.entry-note-set") return [{ part: "notes" }];
    if (body.type !== "chat.line-asked") return [];
    return [
      { part: "questions", ids: [body.questionId] },
      { part: "people", ids: [body.authorId] },
    ];
  },
  touches(body) {
    switch (body.type) {
      case "chat.line-let-through":
      case "chat.line-taken-away":
        return {
          logs: ["chat:house", "chat:stage", "chat:desk", "chat:talkback", "chat:notes", "chat:held", ...sideTopics],
        };
      case "chat.line-asked":
        return { logs: ["chat:house", "chat:stage", "chat:desk", "chat:held", ...sideTopics], people: [body.authorId] };
      case "chat.cleared":
        return { logs: ["chat:house"] };
      default:
        return {};
    }
  },
};
