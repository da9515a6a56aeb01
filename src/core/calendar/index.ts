export {
  calendarLines,
  calendarText,
  type CalendarEntry,
  type CalendarFile,
  type CalendarMethod,
  type CalendarPerson,
} from "./calendar-file";
export { escapeText, foldLine } from "./content-line";
