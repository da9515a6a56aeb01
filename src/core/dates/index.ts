export {
  abandonedAfterMinutes,
  binDays,
  callTimeOf,
  currentDate,
  defaultCallMinutes,
  foyerLeadMinutes,
  foyerOpensAt,
  mayComeBackstage,
  notHeldAfterHours,
  stepDue,
  type AbandonFacts,
  type DateTimes,
  type LifeStep,
} from "./life";
export {
  planExtent,
  type DateChange,
  type Extent,
  type ExtentChange,
  type ExtentPlan,
  type PlannedDate,
  type PlannedSeries,
} from "./extent";
