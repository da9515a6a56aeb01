import type { BoardCommand, BoardEntry, BoardShape } from "./board";
import type { CaptionsCommand, CaptionsEntry, CaptionsShape } from "./captions";
import type { ChannelsCommand, ChannelsEntry, ChannelsShape } from "./channels";
import type { ChatCommand, ChatEntry, ChatShape } from "./chat";
import type { CuesCommand, CuesEntry, CuesShape } from "./cues";
import type { FilesEntry } from "./files";
import type { FloorCommand, FloorEntry, FloorShape } from "./floor/shape";
import type { HelpCommand, HelpEntry, HelpShape } from "./help";
import type { HourCommand } from "./hour";
import type { HourEntry } from "./hour/state";
import type { LookCommand, LookEntry, LookShape } from "./look";
import type { PageCommand, PageEntry, PageShape } from "./page";
import type { PollsCommand, PollsEntry, PollsShape } from "./polls";
import type { ProgrammeShape } from "./programme";
import type { QuestionsCommand, QuestionsEntry, QuestionsShape } from "./questions";
import type { RecordingCommand, RecordingEntry, RecordingShape } from "./recording";
import type { ScenesCommand, ScenesEntry } from "./scenes";
import type { SideRoomsCommand, SideRoomsEntry, SideRoomsShape } from "./side-rooms/shape";
import type { SignalsShape } from "./signals";
import type { SlidesCommand, SlidesEntry, SlidesShape } from "./slides";
import type { StageCommand, StageEntry, StageShape } from "./stage";
import type { TrayCommand, TrayEntry, TrayShape } from "./tray";

/** What somebody in a room may ask for. Each is journalled. */
export type RoomCommand =
  | HourCommand
  | StageCommand
  | FloorCommand
  | CuesCommand
  | QuestionsCommand
  | PollsCommand
  | ChatCommand
  | TrayCommand
  | SlidesCommand
  | BoardCommand
  | ScenesCommand
  | CaptionsCommand
  | ChannelsCommand
  | SideRoomsCommand
  | LookCommand
  | PageCommand
  | HelpCommand
  | RecordingCommand;
/** Acts that come too often for the journal: each has a table and a unique key of its own. */
export type RoomFact = Exclude<
  (
    | BoardShape
    | CaptionsShape
    | ChannelsShape
    | SideRoomsShape
    | LookShape
    | PageShape
    | HelpShape
    | ProgrammeShape
    | RecordingShape
    | ChatShape
    | CuesShape
    | FloorShape
    | PollsShape
    | QuestionsShape
    | SignalsShape
    | SlidesShape
    | StageShape
    | TrayShape
  )["fact"],
  undefined
>;
/** What may stand in a journal. Every row holds ids, never a name or a text. */
export type EntryBody =
  | HourEntry
  | StageEntry
  | FloorEntry
  | CuesEntry
  | QuestionsEntry
  | PollsEntry
  | ChatEntry
  | TrayEntry
  | SlidesEntry
  | BoardEntry
  | FilesEntry
  | ScenesEntry
  | CaptionsEntry
  | ChannelsEntry
  | SideRoomsEntry
  | LookEntry
  | PageEntry
  | HelpEntry
  | RecordingEntry;

/** One row of the journal. */
export interface JournalEntry {
  readonly seq: number;
  readonly at: number;
  /** a ticket's id, or "system" for what time itself does */
  readonly actorId: string;
  readonly body: EntryBody;
}
