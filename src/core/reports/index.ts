export { meanDifference, shareDifference, type Difference } from "./differences";
export {
  attendanceReport,
  type AttendanceLine,
  type AttendanceReport,
  type PlayedSpan,
  type ReportInput,
  type ReportPerson,
} from "./attendance-report";
export {
  funnelBy,
  funnelOf,
  funnelSteps,
  registrationsByDay,
  type FunnelCut,
  type FunnelLine,
  type FunnelPeople,
  type FunnelStep,
} from "./funnel";
export { heatLane, laneKinds, laneOf, type Lane, type LaneKind } from "./lanes";
export { playedSegments } from "./played-segments";
export { trendOf, type Trend } from "./trend";
export { stretchOf, type Stretch } from "./stretch";
export { byLead, leadGroupOf, leadGroups, monthIn, peakUse, yearIn } from "./year";
