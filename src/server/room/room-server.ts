import type { CommandBody } from "@/contracts";
import type { EntryBody, JournalEntry, RoomCommand, RoomDirectory, RoomState } from "@/core/room";
import type { Db } from "../db/client";

/** Where a capability's server part works: one room of one date. */
export interface RoomPlace {
  readonly roomId: string;
  readonly occurrenceId: string;
  readonly eventId: string;
  readonly organisationId: string;
  readonly now: number;
}

/** A part of the room's words that is to be read again; without ids the whole of it. */
export interface WordsWanted {
  readonly part: keyof RoomDirectory;
  readonly ids?: readonly string[];
}

/** What a command says, and whose it is. */
export interface Said {
  readonly commandId: string;
  readonly body: CommandBody;
  readonly actorId: string;
}

/** The server's side of one capability: texts into their tables, tables beside the journal, words for the screens. */
export interface RoomServer {
  /** the core's command for the client's; new things are named after the command */
  readonly command?: (said: Said, room: RoomState) => RoomCommand | null;
  /** what a decision needs to have looked up */
  readonly about?: (db: Db, place: RoomPlace, body: CommandBody) => Promise<unknown>;
  /** writes the texts of a command into their erasable tables, before the journal names their ids */
  readonly write?: (tx: Db, place: RoomPlace, said: Said) => Promise<void>;
  /** brings the tables that mirror the room in step with it, inside the journal row's transaction */
  readonly keep?: (
    tx: Db,
    place: RoomPlace,
    before: RoomState,
    after: RoomState,
    entries: readonly JournalEntry[],
  ) => Promise<void>;
  /** the words that a row brings */
  readonly wants?: (body: EntryBody) => readonly WordsWanted[];
}
