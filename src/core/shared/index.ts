export { assertNever } from "./assert-never";
export { Refusal, type ClashingDate, type Failure, type FailureCode, type FileFault, type InputIssue } from "./failure";
export { Book } from "./book";
export { groupBy } from "./group-by";
export { fail, ok, unwrap, type Result } from "./result";
