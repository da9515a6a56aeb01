import type { CommandBody, FactBody, LogRow } from "@/contracts";
import type { EntryBody, JournalEntry, OwnParts, RoomCommand, RoomDirectory, RoomState, Signal } from "@/core/room";
import type { Actor, Switches } from "@/core/people";
import type { Choice, PollKind } from "@/core/polls";
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
  /** also those that are known */
  readonly isAgain?: boolean;
}

/** What a command says, and whose it is. */
export interface Said {
  readonly commandId: string;
  readonly body: CommandBody;
  readonly actorId: string;
}

/** Whoever brings a fact, and to which room. */
export interface FactPlace {
  readonly occurrenceId: string;
  readonly organisationId: string;
  readonly actorId: string;
  readonly actor: Actor;
  readonly commandId: string;
  readonly now: number;
  /** the room's state where this process follows it: spares reading it */
  readonly room: RoomState | null;
  /** as they stand now */
  readonly switches: Switches;
}

/** One person's answer to one question of a poll: what it was, and what it is now. */
export interface TallyChange {
  readonly questionId: string;
  readonly kind: PollKind;
  readonly from: Choice | null;
  readonly to: Choice;
}

/** What a fact changed of the merged figures: added to them, never counted anew. */
export type FigureChange =
  | { readonly of: "tally"; readonly pollId: string; readonly changes: readonly TallyChange[] }
  | { readonly of: "signal"; readonly signal: Signal }
  | { readonly of: "votes"; readonly questionId: string; readonly by: 1 | -1 };

/** What a fact came to: figures, rows of log feeds, and what its sender is told. */
export interface FactOutcome {
  readonly figure?: FigureChange | null;
  readonly lines?: { readonly topic: string; readonly rows: readonly LogRow[] };
  /** whose own parts changed beside the sender's */
  readonly concerns?: readonly string[];
  readonly answer?: Readonly<Record<string, unknown>>;
  /** rows that it brings into the journal, where the room does not know of them yet */
  readonly causes?: (room: RoomState) => readonly EntryBody[];
}

/** How a log feed's rows are read. */
export interface LogReader {
  /** what changed after `rev`, in the order of the changes */
  after(db: Db, roomId: string, topic: string, rev: number, limit: number): Promise<readonly LogRow[]>;
  /** the last rows before `seq`, oldest first; without it the very last */
  before(db: Db, roomId: string, topic: string, seq: number | null, limit: number): Promise<readonly LogRow[]>;
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
  /** one fact into its table; rights were asked before */
  readonly fact?: (db: Db, place: FactPlace, fact: FactBody) => Promise<FactOutcome>;
  /** what several people have of their own here; what the room says that nobody can have is not looked for */
  readonly own?: (
    db: Db,
    occurrenceId: string,
    ticketIds: readonly string[],
    room: RoomState,
  ) => Promise<ReadonlyMap<string, OwnParts>>;
  /** words that stand in no list of their own, by name */
  readonly notes?: (db: Db, of: { readonly occurrenceId: string }) => Promise<readonly (readonly [string, string])[]>;
  readonly logs?: LogReader;
  /** a row after which figures cannot be added to: they are counted anew */
  readonly recounts?: (body: EntryBody) => boolean;
  /** whose own part a row changed beyond what the state says of it */
  readonly concerns?: (db: Db, body: EntryBody, room: RoomState) => Promise<readonly string[]>;
  /** whose own part, and which log feeds, a row changed */
  readonly touches?: (body: EntryBody) => { readonly people?: readonly string[]; readonly logs?: readonly string[] };
}
