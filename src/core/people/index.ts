export { busyTimes, type BusyCalendar, type BusyEntry } from "./busy";
export {
  findSlots,
  slotGridMinutes,
  slotReasons,
  workFromMinute,
  workUntilMinute,
  type Slot,
  type SlotPerson,
} from "./find-slots";
export {
  after,
  ahead,
  audience,
  holds,
  live,
  onStage,
  phases,
  running,
  team,
  verdictBy,
  type Circumstance,
  type Permission,
  isOver,
  over,
  type Phase,
  type Verdict,
} from "./permissions";
export {
  chatReaches,
  defaultSwitches,
  isMet,
  questionViews,
  type ChatReach,
  type Need,
  type QuestionView,
  type Switches,
  type SwitchSet,
} from "./switches";
export {
  countsInFigures,
  duties,
  holdsDuty,
  mayHandOut,
  isStageRole,
  stageRoles,
  countedRole,
  roles,
  visitor,
  type Actor,
  type Duty,
  type Role,
} from "./roles";
export { houseTable, standingMay, standings, type HouseAction, type Standing } from "./standings";
