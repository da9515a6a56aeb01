export { numberLength, printedNumber, readNumber } from "./certificate-number";
export { creditPoints, whatIf, type CreditRule, type WhatIf } from "./credit";
export { drawnSteps } from "./drawn-steps";
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
export { corrected, keyAfter, mergeFault, type Correction, type EntryKeyed, type MergeFault } from "./corrections";
export { connectionsOf, type Stay } from "./stays";
