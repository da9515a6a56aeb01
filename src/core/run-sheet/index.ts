export { caughtUp, type Length } from "./catch-up";
export { liveClock, type CuePosition, type LiveClock } from "./live";
export { planRunSheet, type PlannedSegment, type RunSheetPlan, type TimedSegment } from "./timing";
