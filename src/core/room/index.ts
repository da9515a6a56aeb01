export { capabilities, type CapabilityName } from "./capabilities";
export type { By, LogTopic, Pace } from "./capability";
export {
  chatTargets,
  mayWriteTo,
  sideAsksTopicOf,
  sideTopicOf,
  sideTopics,
  topicOf as chatTopicOf,
  type ChatTarget,
  type ChatTopic,
  type LineFacts,
} from "./chat";
export { cleanLine, graphemesIn, mostGraphemes } from "./chat/text";
export { chain } from "./chain";
export { applyChanges, changesBetween, plainView, type MadeView, type PlainView, type ViewChange } from "./changes";
export type { EntryBody, JournalEntry, RoomCommand, RoomFact } from "./commands";
export { cardKinds, currentCue, type CardKind, type CueMark } from "./cues";
export {
  noFigures,
  type DirectoryDeck,
  type DirectoryEvent,
  type DirectoryPerson,
  type DirectoryPoll,
  type DirectoryQuestion,
  type DirectorySegment,
  type RoomDirectory,
  type RoomFigures,
} from "./directory";
export {
  commandsOfKey,
  keysFor,
  phoneKeys,
  type KeyAct,
  type KeyActs,
  type PhoneKey,
  floorParts,
  floorRecord,
  handCounts,
  voiceStaysAwayMs,
  mostHolders,
  type FloorPart,
  type FloorTurn,
  type HandItem,
  type HolderItem,
  type OwnFloor,
} from "./floor";
export {
  screeningActs,
  screeningDoorsMs,
  screeningMsAt,
  screeningTalkMs,
  shownMs,
  type Screening,
  type ScreeningItem,
} from "./hour/screening";
export {
  isCurtainUp,
  isLetIn,
  mostLetInAtOnce,
  showStartedAt,
  switchesNow,
  type HourEntry,
  type HourState,
} from "./hour/state";
export { inTray, mostInTray, takerOf, type TrayItem, type TrayMoment, type Trouble } from "./in-tray";
export { takenForMs } from "./tray";
export { outwardOf, type OutwardAct } from "./outward";
export { overduePolls, type RoomPoll } from "./polls";
export type { RoomQuestion } from "./questions";
export {
  append,
  circumstanceOf,
  concernedOf,
  decide,
  emptyRoom,
  fold,
  foldAll,
  logTopics,
  mayTell,
  ownOf,
  project,
  roomFrom,
  roomPaces,
  roomRights,
  sourcesOf,
  topicsOf,
  viewTopics,
  whisperTopics,
  type Decision,
  type RoomState,
} from "./room";
export {
  recordedEveryMs,
  signalEveryMs,
  signalKinds,
  signalRates,
  troubleForMs,
  troubleSignals,
  type Signal,
  type SignalKind,
  type SignalRate,
} from "./signals";
export type { Scene } from "./scene";
export {
  closedButLoud,
  nobodySpeaks,
  quiet,
  silenceDbfs,
  whoSpeaks,
  type ClosedButLoud,
  type Speaking,
} from "./stage/who-speaks";
export {
  inkColours,
  inkPaint,
  inkSpan,
  inkTools,
  inkWidths,
  isSameSurface,
  mostStrokePoints,
  mostTextLength,
  splitPoints,
  type InkAct,
  type InkBody,
  type InkColour,
  type InkTool,
  type Mark,
  type Surface,
} from "./board/ink";
export { sideInkTopicOf, type Trace } from "./board";
export { inkSize, pointsOf, shapeOf, textLeading, textSizeOf, widthOf, type Point, type Shape } from "./board/outline";
export { clearBackMs, InkPicture, pictureOf, type Drawn, type DrawnMark } from "./board/picture";
export { boardSurface, drawReaches, mostBoards, mostDrawers, pageKey, type DrawReach } from "./board/state";
export { readSvg, writeSvg } from "./board/svg";
export { doesTouch } from "./board/touch";
export { drawsOnBoards, isSurfaceShown, marksPages, mayDraw, traceFor } from "./may-draw";
export { breakCaptions, expanded, lettersIn, standsMs } from "./captions/break";
export {
  correctWithinMs,
  mostCaptionLanguages,
  mostCaptionLetters,
  type CaptionLine,
  type CaptionsState,
} from "./captions/state";
export type { ChannelItem, HouseChannelItem, InterpreterItem } from "./channels/items";
export { amplitudeOf, floorDb, floorMovesMs, mixAt, type Heard, type OpenSpan } from "./channels/mix";
export {
  channelLanguages,
  handOverSeconds,
  mostBelowDb,
  mostHandOverSeconds,
  spokenBy,
  usualBelowDb,
  type Interpreting,
} from "./channels/state";
export { isSideSurfaceOf, sideBoardId, sideBoardOf, sideSurface } from "./side-rooms/side-board";
export { sideStays, type SideStay } from "./side-rooms/record";
export { allot, smallestRoom, type AllotRules } from "./side-rooms/allot";
export type { OwnSideRoom, SideMemberItem, SideRoomItem, SidesItem, TeamSideRoomItem } from "./side-rooms/items";
export {
  areSidesOpen,
  areSidesRunning,
  callBackSeconds,
  mostCountdownSeconds,
  mostSideRooms,
  sideRoomOf,
} from "./side-rooms/state";
export { sideRoomNameNote, sideRoomsMessageNote } from "./side-rooms/views";
export type { Dressing, LookItem } from "./look";
export type { HealthWhisper, HereWhisper } from "./programme";
export type { ProgrammeItem } from "./programme/items";
export type { Signal as LinkSignal } from "./programme/signal";
export type { RecordingItem, RecordingSignItem } from "./recording/items";
export { isSpaceShort, recordableMs, toldRecordableMs, type KeptSpace, type StoreSpace } from "./recording/space";
export { isRecorded, recordingWays, spansUntil, type RecordingState, type RecordingWay } from "./recording/state";
export type { HelpItem, OwnHelp } from "./help/items";
export {
  helpedSettings,
  type HelpedSetting,
  type HelpSight,
  type SettingChange,
  type SettingSight,
} from "./help/sight";
export { wholePage, type PageSource } from "./page/state";
export type { PageItem } from "./page/items";
export { endOf, vttOf } from "./captions/vtt";
export { mostScreens } from "./stage";
export { gridOf, layoutOf, peopleIn, pictureFor, type Box, type OnPicture, type Picture } from "./scenes/layout";
export type { HoldingItem, SceneItem } from "./scenes/items";
export {
  firstShares,
  holdingSounds,
  leastShare,
  mostShare,
  sceneKinds,
  type HoldingSound,
  type SceneKind,
  type SharedKind,
} from "./scenes/state";
export type { DeskQuestionItem, HouseQuestionItem } from "./questions/items";
export type { FileItem, HouseFileItem } from "./files/items";
export type { DeckItem } from "./slides/items";
export { bestVersion } from "./slides/version";
export { mayTurn } from "./slides/state";
export { arrivedBackstage, type StagePerson, type StagePlace } from "./stage/state";
export { isInHouse, isOfTheStage, places, standingOf, type Place, type Standing } from "./standing";
export type {
  AnyView,
  AudienceItem,
  CueItem,
  DeskStatusItem,
  DeskView,
  EventItem,
  FoyerView,
  HouseView,
  OwnParts,
  PersonalPart,
  PollItem,
  SegmentItem,
  StagePersonItem,
  StageView,
} from "./views";
