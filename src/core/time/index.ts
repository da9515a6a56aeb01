export {
  covers,
  differenceOf,
  intersectionOf,
  lengthOf,
  touches,
  unionOf,
  type Interval,
  type IntervalSet,
} from "./intervals";
export {
  cityOf,
  clockTime,
  durationWords,
  lengthIn,
  isoUtc,
  localWords,
  longDate,
  shortDate,
  twoZoneTime,
  weekdayName,
  type TwoZoneTime,
} from "./show-time";
export { cityLabel, findZones, withNames, zoneNamed, type ZoneCity } from "./find-zone";
export { findLength } from "./find-length";
export { findMoment, readMoment, type ReadMoment } from "./read-moment";
export type { MomentFault } from "./take-words";
export {
  instantOf,
  isLocalDateTime,
  isZone,
  kindOfWallTime,
  nextTransition,
  offsetMinutesAt,
  wallTimeAt,
  type WallTime,
  type WallTimeKind,
} from "./wall-time";
export { dateText, dayOfLocal, minutesBetween, shiftLocal, weekdayOf } from "./recurrence/days";
export { moveSeries, skippedMonths, splitSeries, type Override, type SplitSeries } from "./recurrence/change";
export { checkRule, datesOfSeries, canNeverMatch, firstMatch, startMatches, starts } from "./recurrence/expand";
export { ruleSentence } from "./recurrence/sentence";
export { localFrom, parseRule, ruleText } from "./recurrence/text";
export {
  filledAheadDays,
  frequencies,
  longestSeries,
  weekdayCodes,
  weeklyRule,
  type ByDay,
  type Frequency,
  type RecurrenceRule,
  type Series,
  type WeekdayCode,
} from "./recurrence/rule";
export const minuteMs = 60_000;
export const hourMs = 3_600_000;
export const dayMs = 86_400_000;
export { readSpan, spanWords } from "./span";
