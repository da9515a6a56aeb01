import type { ScreeningItem } from "./hour/screening";
import type { ChatReach, Duty, Phase, Role, Switches } from "../people";
import type { BoardItem, BoardTitleItem, HouseBoardItem, MarkedPageItem } from "./board/items";
import type { FileItem, HouseFileItem } from "./files/items";
import type { TurnedItem } from "./hour/items";
import type { ChannelItem, HouseChannelItem, InterpreterItem, MixItem, OwnChannel } from "./channels/items";
import type { CardKind } from "./cues/cards";
import type { EveryoneItem, HandItem, HeardItem, HolderItem, OwnFloor } from "./floor/items";
import type { HelpItem, OwnHelp } from "./help/items";
import type { LookChangesItem, LookItem } from "./look";
import type { PageDeskItem, PageItem } from "./page/items";
import type { ProgrammeItem } from "./programme/items";
import type { OwnRecording, RecordingAskItem, RecordingItem, RecordingSignItem } from "./recording/items";
import type { QuestionState } from "../questions";
import type { DeskQuestionItem, HouseQuestionItem, StageQuestionItem } from "./questions/items";
import type { Answers, PollPlan, Tallies } from "../polls";
import type { HoldingItem, SceneChangesItem, SceneItem } from "./scenes/items";
import type { DeckItem, HouseSlidesItem, TurnersItem } from "./slides/items";
import type { Shown } from "./slides/state";
import type { OwnSideRoom, SideMemberItem, SideRoomItem, SidesItem, TeamSideRoomItem } from "./side-rooms/items";
import type { StagePlace } from "./stage/state";

/** A projection: sections of items by id, plain JSON. Each role class has its own sections and fields. */
export type Section<T> = Readonly<Record<string, T>>;

export interface EventItem {
  readonly title: string;
  readonly zone: string;
  readonly startAt: number;
  readonly endAt: number;
  readonly questionsOn: boolean;
  readonly pollsOn: boolean;
  readonly chatTo: ChatReach;
  readonly handsOn: boolean;
  readonly signalsOn: boolean;
  /** a question may be asked without a name */
  readonly mayAskUnnamed: boolean;
  readonly questionVotesOn: boolean;
  readonly questionCommentsOn: boolean;
  /** who asked is told when theirs is not taken */
  readonly tellsNotTaken: boolean;
  readonly renameOn: boolean;
  readonly isRehearsal: boolean;
  /** how many of those who are there are invented: said on every screen */
  readonly crowdSize: number;
  readonly hasPlannedEnd: boolean;
}

export interface StatusItem {
  readonly phase: Phase;
  readonly isCurtainUp: boolean;
  /** the curtain has risen before: a fallen one is a pause, not the beginning */
  readonly hasBegun: boolean;
  /** a recording is watched together */
  readonly screening?: ScreeningItem;
}
export interface StageStatusItem extends StatusItem {
  readonly showStartedAt: number | null;
}
export interface DeskStatusItem extends StageStatusItem {
  readonly areDoorsHeld: boolean;
  readonly doorsOpenedAt: number | null;
  readonly curtainMoves: number;
  readonly endedAt: number | null;
  readonly callAt: number;
  readonly houseSize: number;
}

export interface SegmentItem {
  readonly title: string;
  readonly position: number;
  readonly lengthMinutes: number;
  readonly fixedStartAt: number | null;
  readonly leaderId: string | null;
  readonly pollId: string | null;
  /** left out of this hour */
  readonly isSkipped: boolean;
}

/** Somebody of the stage, as colleagues and the desk see them. */
export interface StagePersonItem {
  readonly name: string;
  readonly portraitId: string | null;
  readonly role: Role;
  /** of crew: they can change in the middle of the hour */
  readonly duties: readonly Duty[];
  readonly place: StagePlace;
  readonly isMicrophoneOpen: boolean;
  readonly isCameraOpen: boolean;
  /** the desk asks them to open it */
  readonly isAskedToOpen: boolean;
  readonly isAskedForCamera: boolean;
  readonly isPresent: boolean;
  /** how loud they are on a phone line, 0–100; null for whoever is not on one */
  readonly callerLevel: number | null;
  /** open at once: two are the likeliest cause of an echo */
  readonly devices: number;
}

/** Somebody of the stage, as the house sees them. */
export interface CastItem {
  readonly name: string;
  readonly portraitId: string | null;
  readonly isMicrophoneOpen: boolean;
  readonly isCameraOpen: boolean;
}

/** A screen that is shared, and the how manieth of those that are. */
export interface ScreenItem {
  readonly name: string;
  readonly order: number;
  /** whoever lost their line keeps it for a minute: nothing of it is shown meanwhile */
  readonly isHere: boolean;
}

export interface AudienceItem {
  readonly name: string;
  readonly place: "foyer" | "house";
  readonly isTest: boolean;
  readonly callerLevel: number | null;
}

export interface PollItem extends PollPlan {
  readonly state: "prepared" | "open" | "closed";
  readonly isRevealed: boolean;
  readonly isOnPicture: boolean;
  readonly openedAt: number | null;
  /** when it closes by itself */
  readonly closesAt: number | null;
}
export interface TallyItem {
  readonly byQuestion: Tallies;
}
export interface CountItem {
  readonly count: number;
}

/** A signal that many gave within the last minute. */
export interface SignalTroubleItem extends CountItem {
  readonly house: number;
}

/** Who of the desk is at an item of the in-tray, and since when. */
export interface TakenItem {
  readonly byId: string;
  readonly byName: string;
  readonly at: number;
}

/** The card that the desk holds up to the stage. */
export interface CardItem {
  readonly kind: CardKind;
  readonly at: number;
}

/** Where the hour stands on its sheet, for the desk and the stage. */
export interface CueItem {
  readonly currentSegmentId: string | null;
  readonly cuedAt: number | null;
}

/** What desk and stage see alike. */
interface TeamView {
  readonly event: Section<EventItem>;
  readonly cue: Section<CueItem>;
  readonly card: Section<CardItem>;
  readonly segments: Section<SegmentItem>;
  readonly stage: Section<StagePersonItem>;
  readonly screens: Section<ScreenItem>;
  readonly hands: Section<HandItem>;
  readonly floor: Section<HolderItem>;
  readonly everyone: Section<EveryoneItem>;
  readonly polls: Section<PollItem>;
  readonly tallies: Section<TallyItem>;
  readonly figures: Section<CountItem>;
  readonly signals: Section<CountItem>;
  readonly troubles: Section<SignalTroubleItem>;
  readonly shown: Section<Shown>;
  readonly turners: Section<TurnersItem>;
  readonly decks: Section<DeckItem>;
  readonly board: Section<BoardItem>;
  readonly boards: Section<BoardTitleItem>;
  readonly files: Section<FileItem>;
  readonly captions: Section<{ readonly languages: readonly string[] }>;
  readonly scene: Section<SceneItem>;
  readonly holding: Section<HoldingItem>;
  readonly sceneChanges: Section<SceneChangesItem>;
  readonly markedPages: Section<MarkedPageItem>;
  readonly channels: Section<ChannelItem>;
  readonly interpreters: Section<InterpreterItem>;
  readonly mix: Section<MixItem>;
  readonly sides: Section<SidesItem>;
  readonly sideRooms: Section<TeamSideRoomItem>;
  readonly look: Section<LookItem>;
  readonly page: Section<PageItem>;
  readonly programme: Section<ProgrammeItem>;
  readonly recordingSign: Section<RecordingSignItem>;
  readonly recordingAsk: Section<RecordingAskItem>;
}

/** What each kind of screen holds once the feeds that it follows are laid together. */
export interface DeskView extends TeamView {
  readonly status: Section<DeskStatusItem>;
  readonly switches: Section<Switches>;
  readonly turned: Section<TurnedItem>;
  readonly barred: Section<{ readonly name: string }>;
  readonly taken: Section<TakenItem>;
  readonly audience: Section<AudienceItem>;
  readonly sideMembers: Section<SideMemberItem>;
  readonly lookChanges: Section<LookChangesItem>;
  readonly pageDesk: Section<PageDeskItem>;
  readonly helped: Section<HelpItem>;
  readonly recording: Section<RecordingItem>;
  readonly questions: Section<DeskQuestionItem>;
  readonly votes: Section<CountItem>;
}
export interface StageView extends TeamView {
  readonly status: Section<StageStatusItem>;
  readonly questions: Section<StageQuestionItem>;
}
export interface HouseView {
  readonly event: Section<EventItem>;
  /** how many are there, where that is shown */
  readonly figures: Section<CountItem>;
  readonly status: Section<StatusItem>;
  readonly cue: Section<{ readonly segmentTitle: string | null }>;
  readonly cast: Section<CastItem>;
  readonly screens: Section<ScreenItem>;
  readonly heard: Section<HeardItem>;
  /** people of the audience who were brought on stage */
  readonly guests: Section<HeardItem>;
  readonly everyone: Section<EveryoneItem>;
  readonly questions: Section<HouseQuestionItem>;
  readonly polls: Section<PollItem>;
  readonly votes: Section<CountItem>;
  readonly tallies: Section<TallyItem>;
  readonly signals: Section<CountItem>;
  readonly slides: Section<HouseSlidesItem>;
  readonly openBoard: Section<HouseBoardItem>;
  readonly markedPages: Section<MarkedPageItem>;
  readonly files: Section<HouseFileItem>;
  readonly captions: Section<{ readonly languages: readonly string[] }>;
  readonly scene: Section<SceneItem>;
  readonly holding: Section<HoldingItem>;
  readonly channels: Section<HouseChannelItem>;
  readonly sides: Section<SidesItem>;
  readonly sideRooms: Section<SideRoomItem>;
  readonly look: Section<LookItem>;
  readonly page: Section<PageItem>;
  readonly programme: Section<ProgrammeItem>;
  readonly recordingSign: Section<RecordingSignItem>;
}
export interface FoyerView {
  readonly event: Section<EventItem>;
  readonly status: Section<{ readonly phase: Phase }>;
  readonly look: Section<LookItem>;
  readonly recordingSign: Section<RecordingSignItem>;
}
export type AnyView = DeskView | StageView | HouseView | FoyerView;

/** One person's own things: never in a projection, sent to that person alone. */
export interface PersonalPart {
  readonly ticketId: string;
  readonly name: string;
  readonly role: Role;
  readonly place: "foyer" | "house" | StagePlace;
  /** why somebody still waits in the foyer though the doors are open */
  readonly waitsFor: "doors" | "seat" | "held-doors" | "host" | null;
  /** their own things, by capability */
  readonly own: OwnParts;
}

/** What each capability keeps for one person alone, under its name. */
export interface OwnParts {
  readonly [capability: string]: unknown;
  readonly floor?: OwnFloor;
  readonly channels?: OwnChannel;
  readonly sideRooms?: OwnSideRoom;
  readonly help?: OwnHelp;
  readonly recording?: OwnRecording;
  /** named by the desk to draw on the boards */
  readonly board?: { readonly isDrawer: boolean };
  /** answers by poll and question */
  readonly polls?: { readonly ballots: Readonly<Record<string, Answers>> };
  readonly questions?: {
    readonly votes: readonly string[];
    readonly asked: readonly {
      readonly id: string;
      readonly text: string;
      readonly state: QuestionState;
      readonly answer: string | null;
    }[];
  };
}
