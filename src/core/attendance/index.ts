export { creditPoints, type CreditRule } from "./credit";
export { houseCurve, medianOf, retentionOf, type CurveStep, type HouseCurve, type Retention } from "./house-curve";
export { personKeyOf, type Trace } from "./matching";
export {
  closedGapMs,
  measure,
  presenceByPerson,
  presenceOf,
  showOf,
  spanOf,
  untilEnd,
  type Connection,
  type CurtainSpan,
} from "./presence";
export { connectionsOf, type Stay } from "./stays";
