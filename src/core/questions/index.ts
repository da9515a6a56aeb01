export {
  inOrder,
  questionOrders,
  questionStates,
  type QuestionOrder,
  type QuestionState,
  type Rankable,
} from "./order";
export { NearDuplicates, nearFrom, type Near } from "./near-duplicates";
export { similarity, trigramsOf } from "./similarity";
