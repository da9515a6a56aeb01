export { applyChanges, changesBetween, type PlainView, type ViewChange } from "./changes";
export { actionOf, type RoomCommand, type RoomCommandType } from "./commands";
export { append, circumstanceOf, decide, type Decision, type RoomFacts } from "./decide";
export {
  noFigures,
  type DirectoryPerson,
  type DirectoryPoll,
  type DirectoryQuestion,
  type DirectorySegment,
  type RoomDirectory,
  type RoomFigures,
} from "./directory";
export { effectsOf, type Effect } from "./effects";
export type { EntryBody, EntryType, JournalEntry } from "./entries";
export { fold, foldAll } from "./fold";
export { inTray, type TrayItem } from "./in-tray";
export { project } from "./project";
export {
  arrivedBackstage,
  currentCue,
  emptyRoom,
  isCurtainUp,
  preparedPoll,
  showStartedAt,
  type CueMark,
  type RoomPoll,
  type RoomQuestion,
  type RoomState,
  type StagePerson,
  type StagePlace,
} from "./state";
export type {
  AnyView,
  AudienceItem,
  DeskQuestionItem,
  DeskStatusItem,
  DeskView,
  EventItem,
  FoyerView,
  HouseQuestionItem,
  HouseView,
  PersonalPart,
  PollItem,
  SegmentItem,
  StagePersonItem,
  StageView,
  ViewOf,
} from "./views";
