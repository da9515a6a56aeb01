import type { WordsWanted } from "../room";
import type { Db } from "../db/client";

import type { Clock } from "../platform/clock";
import type { Ids } from "../platform/ids";
import type { Log } from "../platform/log";

import { type Wire } from "./follower";

export interface HubPorts {
  readonly db: Db;
  readonly databaseUrl: string;
  readonly clock: Clock;
  readonly ids: Ids;
  readonly log: Log;
  /** lets the foyer in, under the room's lock */
  admit(occurrenceId: string): Promise<number>;
  /** lowers the hands of people who have been away for long, and takes the floor back from them */
  dismissAway(occurrenceId: string, ticketIds: readonly string[]): Promise<void>;
  /** closes polls whose time is over */
  closePolls(occurrenceId: string, pollIds: readonly string[]): Promise<void>;
  /** people, roles or the plan of some date were edited */
  rightsChanged(): void;
  /** writes gathered signs of life and closes lost connections */
  flushPresence(): Promise<void>;
  /** the database answers again after it was away */
  databaseBack(): void;
}

export interface Join {
  readonly occurrenceId: string;
  readonly connectionId: string;
  readonly ticketId: string;
  readonly wantsDesk: boolean;
  readonly isInside: boolean;
  /** what was seen of which feed */
  readonly have: ReadonlyMap<string, { readonly epoch: string; readonly n: number }>;
  readonly wire: Wire;
}

/** What is read again when people, plan or run sheet of a date were edited. */
export const editedParts: readonly WordsWanted[] = [
  { part: "event" },
  { part: "people" },
  { part: "segments" },
  { part: "polls" },
];
