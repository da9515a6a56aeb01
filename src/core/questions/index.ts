export {
  inOrder,
  questionOrders,
  questionStates,
  type QuestionOrder,
  type QuestionState,
  type Rankable,
} from "./order";
export { similarity, trigramsOf } from "./similarity";
