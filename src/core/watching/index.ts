export { chaptersFile, chaptersOf, clockedChapters, vttTime, type Chapter, type PlayedSegment } from "./chapters";
export { completeFrom, dropOff, heatOf, watchedOf, type Play, type Watched, type Watching } from "./watched";
export {
  editedChapters,
  editedSeconds,
  fitsClock,
  keptOf,
  leavesEnough,
  noEdit,
  originalSeconds,
  placedChapters,
  shortestEditedMs,
  type PlacedChapter,
  type RecordingEdit,
} from "./edit";
export { closedBecause, recordingAudiences, type Publication, type RecordingAudience } from "./publication";
export {
  pagesOn,
  pageStretches,
  type PageBeside,
  type PageOn,
  type PageStretch,
  type PageTurn,
  type RecordingClock,
} from "./pages";
