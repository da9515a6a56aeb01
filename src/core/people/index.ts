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
  permissionTable,
  phases,
  roleMay,
  verdict,
  type Action,
  type AudienceSwitch,
  type Circumstance,
  type Permission,
  type Phase,
  type Verdict,
} from "./permissions";
export {
  countsInFigures,
  duties,
  holdsDuty,
  isStageRole,
  roles,
  visitor,
  type Actor,
  type Duty,
  type Role,
  type RoleClass,
} from "./roles";
export { houseTable, standingMay, standings, type HouseAction, type Standing } from "./standings";
