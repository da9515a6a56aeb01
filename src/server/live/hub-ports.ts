import type { OnAir } from "@/core/programme";
import type { KeptSpace } from "@/core/room";
import type { WordsWanted } from "../room";
import type { Db } from "../db/client";

import type { Clock } from "../platform/clock";
import type { Ids } from "../platform/ids";
import type { Log } from "../platform/log";

import type { RoomNotice } from "../db/notify";
import type { RoomWire } from "../platform/wire";

export interface HubPorts {
  readonly db: Db;
  readonly databaseUrl: string;
  readonly clock: Clock;
  readonly ids: Ids;
  readonly log: Log;
  readonly feeds: FeedsPort;
  /** lets the foyer in, under the room's lock */
  admit(occurrenceId: string): Promise<number>;
  /** lowers the hands of people who have been away for long, and takes the floor back from them */
  dismissAway(occurrenceId: string, ticketIds: readonly string[]): Promise<void>;
  /** closes polls whose time is over */
  closePolls(occurrenceId: string, pollIds: readonly string[]): Promise<void>;
  /** what a screening has to do by itself: doors, curtain, end */
  runScreening(occurrenceId: string): Promise<void>;
  /** how much longer the hour can be kept */
  spaceFor(occurrenceId: string): Promise<KeptSpace>;
  /** people, roles or the plan of some date were edited */
  rightsChanged(): void;
  /** writes gathered signs of life and closes lost connections */
  flushPresence(): Promise<void>;
  /** the database answers again after it was away */
  databaseBack(): void;
}

/** What this process passes on of sound and picture. */
export interface FeedsPort {
  hear(notice: Extract<RoomNotice, { readonly piece: unknown }>): Promise<void>;
  curtainFell(occurrenceId: string): void;
  /** says which feeds are on the air, where that changed */
  settleAll(): void;
  onChange(told: (occurrenceId: string, feeds: ReadonlyMap<string, OnAir>) => void): void;
  forget(occurrenceId: string): void;
  close(): void;
}

export interface Join {
  readonly occurrenceId: string;
  readonly connectionId: string;
  readonly ticketId: string;
  readonly wantsDesk: boolean;
  readonly isInside: boolean;
  /** what was seen of which feed */
  readonly have: ReadonlyMap<string, { readonly epoch: string; readonly n: number }>;
  readonly wire: RoomWire;
}

/** What is read again when people, plan or run sheet of a date were edited. */
export const editedParts: readonly WordsWanted[] = [
  { part: "event" },
  { part: "people" },
  { part: "segments" },
  { part: "polls" },
];
