export { byteRange } from "./byte-range";
export { addressesIn, isAddress, spokenName } from "./address";
export { holdsWords } from "./holds-words";
export { assertNever } from "./assert-never";
export {
  Refusal,
  type AllotmentFault,
  type ClashingDate,
  type Failure,
  type FailureCode,
  type FileFault,
  type SwitchedOff,
} from "./failure";
export { issue, issueCodes, type InputIssue, type IssueCode } from "./issue";
export { Book } from "./book";
export { groupBy } from "./group-by";
export { isUuid } from "./uuid";
export { isLoopback } from "./loopback";
export { readableText } from "./readable-text";
export { nulIn } from "./nul";
export { fail, ok, unwrap, type Result } from "./result";
export { seededChance } from "./chance";
export { foldedText } from "./folded";
export { logBeta, logGamma } from "./gamma";
