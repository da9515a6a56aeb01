export {
  attendanceReport,
  type AttendanceLine,
  type AttendanceReport,
  type PlayedSpan,
  type ReportInput,
  type ReportPerson,
} from "./attendance-report";
export { playedSegments } from "./played-segments";
