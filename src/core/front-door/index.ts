export { isWeakCode, madeCode, shortestAccessCode, strengthOf } from "./access-code";
export {
  canDependOn,
  checkAnswers,
  dependingOnLater,
  fieldKinds,
  isShown,
  severalOf,
  type AnswerIssue,
  type FieldKind,
  type FormField,
} from "./answers";
export { waitsForApproval, type ApprovalRule } from "./approval";
export {
  contrastOf,
  luminanceOf,
  neededContrast,
  paper,
  readableLook,
  tintedPaper,
  type ReadableLook,
} from "./contrast";
export { atomFeed, type FeedEntry } from "./feed";
