import { and, asc, eq, gt, isNull } from "drizzle-orm";
import { Book } from "@/core/shared";
import { emptyRoom, foldAll, roomFrom, type JournalEntry, type RoomState } from "@/core/room";
import type { Db } from "../client";
import { anyOf } from "./any-of";
import { journal, logHeads as logHeadTable, roomCheckpoints, rooms } from "../schema";

/** The journal's rows after `seq`, in order. */
export function journalAfter(db: Db, roomId: string, seq: number): Promise<JournalEntry[]> {
  return db
    .select({ seq: journal.seq, at: journal.at, actorId: journal.actorId, body: journal.body })
    .from(journal)
    .where(and(eq(journal.roomId, roomId), gt(journal.seq, seq)))
    .orderBy(asc(journal.seq));
}

/** The main room of a date; null where there is none. */
export async function mainRoomOf(db: Db, occurrenceId: string): Promise<{ id: string; organisationId: string } | null> {
  const [row] = await db
    .select({ id: rooms.id, organisationId: rooms.organisationId })
    .from(rooms)
    .where(and(eq(rooms.occurrenceId, occurrenceId), isNull(rooms.parentId)));
  return row ?? null;
}

/** How far each log feed of a room has come; one without rows is not in it. */
export async function logHeads(db: Db, roomId: string): Promise<ReadonlyMap<string, number>> {
  const rows = await db
    .select({ topic: logHeadTable.topic, head: logHeadTable.head })
    .from(logHeadTable)
    .where(eq(logHeadTable.roomId, roomId));
  return new Map(rows.map((row) => [row.topic, row.head]));
}

/** The folded room: its last checkpoint and the rows since. */
export async function loadRoom(db: Db, roomId: string): Promise<RoomState> {
  const [kept] = await db.select().from(roomCheckpoints).where(eq(roomCheckpoints.roomId, roomId));
  const start = kept ? stateOf(kept.state, kept.seq) : emptyRoom;
  return foldAll(start, await journalAfter(db, roomId, start.seq));
}

const stateOf = (state: unknown, seq: number): RoomState =>
  roomFrom({ ...(JSON.parse(JSON.stringify(state), Book.revive) as object), seq });

/** The room of a date as its journal has it now; empty for an unknown one. */
export async function roomOf(db: Db, occurrenceId: string): Promise<RoomState> {
  const room = await mainRoomOf(db, occurrenceId);
  return room ? loadRoom(db, room.id) : emptyRoom;
}

/** How far each date's journal has come: for the tail that polls where a notification was lost. */
export async function journalHeads(db: Db, occurrenceIds: readonly string[]): Promise<ReadonlyMap<string, number>> {
  if (occurrenceIds.length === 0) return new Map();
  const rows = await db
    .select({ occurrenceId: rooms.occurrenceId, seq: rooms.seq })
    .from(rooms)
    .where(and(anyOf(rooms.occurrenceId, occurrenceIds), isNull(rooms.parentId)));
  return new Map(rows.map((row) => [row.occurrenceId, row.seq]));
}
