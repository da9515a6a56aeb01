import { sql, type SQL } from "drizzle-orm";
import type { CaptionRow, FactBody, LogRow } from "@/contracts";
import { breakCaptions, correctWithinMs, standsMs, type CaptionLine } from "@/core/room";
import { Refusal } from "@/core/shared";
import type { Db } from "../../db/client";
import { roomOf } from "../../db/queries/journal";
import type { FactOutcome, FactPlace, LogReader, RoomServer } from "../room-server";

type Say = Extract<FactBody, { type: "captions.say" }>;
interface Row {
  seq: number;
  rev: number;
  line_id: string;
  language: string;
  author_ticket_id: string;
  text: string;
  at: string;
}
const topic = "captions:lines";
const columns = sql`seq, rev, line_id, language, author_ticket_id, text, at`;

const captionsIn = (text: string): CaptionRow["captions"] =>
  breakCaptions(text).map((lines) => ({ lines, standsMs: standsMs(lines.join(" ")) }));

async function read(db: Db, query: SQL): Promise<LogRow[]> {
  const { rows } = await db.execute(query);
  return (rows as unknown as Row[]).map((row) => {
    const { language, author_ticket_id: authorId, text } = row;
    const line: CaptionRow = { language, authorId, text, at: new Date(row.at).getTime(), captions: captionsIn(text) };
    return { id: row.line_id, seq: row.seq, rev: row.rev, row: text === "" ? null : line };
  });
}
const one = (db: Db, roomId: string, lineId: string): Promise<LogRow[]> =>
  read(db, sql`select ${columns} from caption_lines where room_id = ${roomId} and line_id = ${lineId}`);

const captionLogs: LogReader = {
  after: (db, roomId, _, rev, limit) =>
    read(
      db,
      sql`select ${columns} from caption_lines where room_id = ${roomId} and rev > ${rev} order by rev limit ${limit}`,
    ),
  async before(db, roomId, _, seq, limit) {
    const bound = seq === null ? sql`true` : sql`seq < ${seq}`;
    const query = sql`select ${columns} from caption_lines where room_id = ${roomId} and ${bound} order by seq desc limit ${limit}`;
    return (await read(db, query)).reverse();
  },
};

/** A line put right: within ten seconds, by whoever wrote it; its words change where they stand. */
async function correct(
  db: Db,
  place: FactPlace,
  { text, language }: Say,
  replacesId: string,
): Promise<FactOutcome | null> {
  const since = new Date(place.now - correctWithinMs).toISOString();
  const { rows } = await db.execute(sql`
    with line as (
      select l.room_id, l.seq from caption_lines l join rooms r on r.id = l.room_id and r.occurrence_id = ${place.occurrenceId} and r.parent_id is null
      where l.line_id = ${replacesId} and l.author_ticket_id = ${place.actorId} and l.language = ${language} and l.at >= ${since}::timestamptz),
    moved as (update log_heads h set head = h.head + 1 from line where h.room_id = line.room_id and h.topic = ${topic} returning h.head)
    update caption_lines l set text = ${text}, rev = moved.head from line, moved
    where l.room_id = line.room_id and l.seq = line.seq returning l.room_id`);
  const roomId = rows[0]?.["room_id"] as string | undefined;
  return roomId ? { lines: { topic, rows: await one(db, roomId, replacesId) } } : null;
}

/** One line of captions in a language that is open; a correction that came too late is a line of its own. */
async function say(db: Db, place: FactPlace, fact: Say): Promise<FactOutcome> {
  const room = place.room ?? (await roomOf(db, place.occurrenceId));
  if (!room.captions.languages.includes(fact.language)) throw new Refusal({ code: "not-found", what: "language" });
  const corrected = fact.replacesId === null ? null : await correct(db, place, fact, fact.replacesId);
  if (corrected) return corrected;
  const at = new Date(place.now).toISOString();
  const { rows } = await db.execute(sql`
    with room as (select id from rooms where occurrence_id = ${place.occurrenceId} and parent_id is null),
    known as (select 1 from caption_lines where room_id = (select id from room) and line_id = ${place.commandId}),
    place as (insert into log_heads (room_id, topic, organisation_id, head)
      select id, ${topic}, ${place.organisationId}, 1 from room where not exists (select 1 from known)
      on conflict (room_id, topic) do update set head = log_heads.head + 1 returning head)
    insert into caption_lines (room_id, seq, rev, organisation_id, line_id, language, author_ticket_id, text, at)
    select room.id, place.head, place.head, ${place.organisationId}, ${place.commandId}, ${fact.language}, ${place.actorId}, ${fact.text},
      ${at}::timestamptz from room, place returning room_id`);
  const written = rows[0]?.["room_id"] as string | undefined;
  return written ? { lines: { topic, rows: await one(db, written, place.commandId) } } : {};
}

export const captionsServer: RoomServer = {
  fact: (db, place, fact) => say(db, place, fact as Say),
  logs: captionLogs,
};

const mostLines = 20_000;

/** The languages in which a date was captioned. */
export async function captionLanguages(db: Db, occurrenceId: string): Promise<readonly string[]> {
  const { rows } = await db.execute(sql`
    select distinct c.language from caption_lines c join rooms r on r.id = c.room_id and r.occurrence_id = ${occurrenceId}
    where c.text <> '' order by 1`);
  return rows.map((row) => String(row["language"]));
}

/** The captions of one date in one language, in their order, each where it began to stand. */
export async function captionsOf(db: Db, occurrenceId: string, language: string): Promise<readonly CaptionLine[]> {
  const { rows } = await db.execute(sql`
    select c.line_id, c.text, c.at from caption_lines c join rooms r on r.id = c.room_id and r.occurrence_id = ${occurrenceId}
    where c.language = ${language} and c.text <> '' order by c.at, c.seq limit ${mostLines}`);
  return (rows as unknown as Row[]).flatMap((row) => {
    let at = new Date(row.at).getTime();
    return captionsIn(row.text).map(({ lines, standsMs: stands }, i) => {
      const line = { id: `${row.line_id}/${i}`, language, lines, at, standsMs: stands };
      at += stands;
      return line;
    });
  });
}
