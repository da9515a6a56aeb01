import { sql } from "drizzle-orm";
import type { Piece } from "@/core/programme";
import type { Db } from "./client";

export const roomChannel = "stage_call_room";

/** What one process tells the others of a room: which rows came, what was edited, what was counted. */
export type RoomNotice =
  | { readonly room: string; readonly seq: number }
  | { readonly room: string; readonly edited: true }
  | { readonly room: string; readonly whispers: readonly unknown[]; readonly by: string }
  | { readonly room: string; readonly aside: AsidePart; readonly by: string }
  | { readonly room: string; readonly piece: PieceNotice; readonly by: string }
  | { readonly room: string; readonly facts: true; readonly logs: readonly string[]; readonly by: string };

/** A piece of what was said to one person: a notice carries less than 8,000 bytes, a description of a call may be longer. */
export interface AsidePart {
  readonly id: string;
  readonly part: number;
  readonly of: number;
  readonly text: string;
}

/** A piece of a feed, or what reads its pieces, that lies in the storage now. */
export interface PieceNotice {
  readonly roomId: string;
  readonly feed: string;
  /** null: its maker gave it back */
  readonly holderId: string | null;
  readonly initNumber: number;
  /** null: the initialisation segment itself */
  readonly piece: Piece | null;
}

const notify = (db: Db, notice: RoomNotice) =>
  db.execute(sql`select pg_notify(${roomChannel}, ${JSON.stringify(notice)})`);

/** People, plan or run sheet of a date were edited. Delivered when the transaction commits. */
export const notifyJournal = (db: Db, occurrenceId: string) => notify(db, { room: occurrenceId, edited: true });

/** The same for many dates. */
export const notifyJournals = (db: Db, occurrenceIds: readonly string[]) =>
  db.execute(sql`
    select pg_notify(${roomChannel}, json_build_object('room', id, 'edited', true)::text)
    from unnest(${sql.param([...occurrenceIds])}::text[]) as id`);

/** Tells every process that ballots, votes or presence of a room changed, and which log feeds grew. @param by the process that has them in memory already */
export const notifyFacts = (db: Db, occurrenceId: string, logs: readonly string[] = [], by = "") =>
  notify(db, { room: occurrenceId, facts: true, logs, by });

/** What was said in passing in this process, for the screens of the others. The caller keeps each part under 7 kB. */
export const notifyWhispers = (db: Db, occurrenceId: string, whispers: readonly unknown[], by: string) =>
  notify(db, { room: occurrenceId, whispers, by });

/** One piece of what was said to one person, for their screens at other processes. */
export const notifyAside = (db: Db, occurrenceId: string, aside: AsidePart, by: string) =>
  notify(db, { room: occurrenceId, aside, by });

/** A piece of a feed came to this process. */
export const notifyPiece = (db: Db, occurrenceId: string, piece: PieceNotice, by: string) =>
  notify(db, { room: occurrenceId, piece, by });
