export { capabilities, type CapabilityName } from "./capabilities";
export type { By, LogTopic, Pace } from "./capability";
export {
  chatTargets,
  mayWriteTo,
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
export { isCurtainUp, isLetIn, showStartedAt, switchesNow, type HourEntry, type HourState } from "./hour/state";
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
export { type Trace } from "./board";
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
export { endOf, vttOf } from "./captions/vtt";
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
