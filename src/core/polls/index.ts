export { isSameBallot, readAnswers, readChoice, mostTextLength, weightsOf, type Answers, type Choice } from "./choice";
export {
  fewestOptions,
  mayOfferNoVote,
  noVote,
  noVoteId,
  plainPoll,
  pollKinds,
  pollTitle,
  presenceOptions,
  scaleOf,
  scaleOptions,
  scales,
  type PollKind,
  type PollOption,
  type PollPlan,
  type PollQuestion,
  type PollSettings,
  type ScaleName,
} from "./poll";
export { quizScore, resultOf, scaleFigures, type PollResult, type ResultLine } from "./result";
export { share } from "./share";
export { noTally, tallyOf, withChoice, type Tallies, type Tally } from "./tally";
export { turnoutOf, type Turnout } from "./turnout";
export { wilsonInterval } from "./wilson";
