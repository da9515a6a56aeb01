import type { KeptSpace } from "./recording/space";
import type { Screening } from "./hour/screening";
import type { OnAir } from "@/core/programme";
import type { DateTimes } from "../dates";
import type { PollPlan, Tallies } from "../polls";
import type { FileItem } from "./files/items";
import type { DeckItem } from "./slides/items";
import type { SignalKind, SignalRate } from "./signals/rates";
import type { Duty, Role, Switches } from "../people";

/** The date itself, as its screens name it. */
export interface DirectoryEvent {
  readonly title: string;
  readonly zone: string;
  readonly times: DateTimes;
  readonly houseSize: number;
  readonly isRehearsal: boolean;
  /** how many of those who are there are invented */
  readonly crowdSize: number;
  /** rooms opened at once have none: over and under mean nothing there (rule 5) */
  readonly hasPlannedEnd: boolean;
  /** the languages that the hour is interpreted into (BCP 47) */
  readonly interpretedInto: readonly string[];
  /** planned to be recorded: whoever is on stage is asked from the beginning, in the event's own words where it has some */
  readonly isRecorded: boolean;
  readonly consentText: string;
  /** its public page on this house; null where a code is asked for first */
  readonly path: string | null;
  /** the plan's own colour and picture */
  readonly look: { readonly colour: string; readonly pictureId: string | null };
  /** a recording is shown at this date; null: people are on stage */
  readonly screening: Screening | null;
  /** the event's own; the hour's rows may have turned some of them since */
  readonly switches: Switches;
}

/**
 * What the erasable tables say: names and texts by the ids that the journal holds. Each part is read
 * for itself and replaced as a whole, so that a view knows by identity whether its part changed.
 */
export interface RoomDirectory {
  readonly event: DirectoryEvent;
  readonly segments: readonly DirectorySegment[];
  readonly people: ReadonlyMap<string, DirectoryPerson>;
  readonly questions: ReadonlyMap<string, DirectoryQuestion>;
  readonly polls: ReadonlyMap<string, DirectoryPoll>;
  readonly decks: ReadonlyMap<string, DirectoryDeck>;
  /** files for the audience, in their order */
  readonly files: ReadonlyMap<string, FileItem>;
  /** other words of the room, by name */
  readonly notes: ReadonlyMap<string, string>;
}

export interface DirectorySegment {
  readonly id: string;
  readonly title: string;
  readonly lengthMinutes: number;
  readonly fixedStartAt: number | null;
  readonly leaderId: string | null;
  readonly pollId: string | null;
}

export interface DirectoryPerson {
  readonly ticketId: string;
  readonly name: string;
  readonly role: Role;
  readonly duties: readonly Duty[];
  /** a picture of theirs, of people on stage */
  readonly portraitId?: string | null;
  /** an interpreter's two languages */
  readonly pair?: readonly string[] | null;
}

export interface DirectoryQuestion {
  readonly id: string;
  readonly text: string;
  readonly answer: string | null;
  /** words of its comments, by id */
  readonly comments?: ReadonlyMap<string, string>;
}

export interface DirectoryPoll extends PollPlan {
  readonly id: string;
}

/** Slides as a PDF, and its pages as far as they are made: addresses, never texts. */
export interface DirectoryDeck extends DeckItem {
  readonly id: string;
}

/** Facts that come too often for the journal, as the last merge saw them. */
export interface RoomFigures {
  /** who is connected now, by ticket, and where */
  readonly present: ReadonlyMap<string, "foyer" | "house" | "stage">;
  /** who is on a phone line and how loud, 0–100, by ticket */
  readonly callers: ReadonlyMap<string, number>;
  /** people with more than one open device, and how many */
  readonly devices: ReadonlyMap<string, number>;
  readonly votes: ReadonlyMap<string, number>;
  readonly tallies: ReadonlyMap<string, Tallies>;
  readonly signals: ReadonlyMap<SignalKind, SignalRate>;
  /** feeds that are on the air, each with whoever makes it */
  readonly feeds: ReadonlyMap<string, OnAir>;
  /** screens that watch without a seat */
  readonly overflow: number;
  /** how much longer the hour can be kept; null: nobody has looked yet */
  readonly space: KeptSpace | null;
}

export const noFigures: RoomFigures = {
  present: new Map(),
  callers: new Map(),
  devices: new Map(),
  votes: new Map(),
  tallies: new Map(),
  signals: new Map(),
  feeds: new Map(),
  overflow: 0,
  space: null,
};
