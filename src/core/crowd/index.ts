export { makeChance, type Chance } from "./chance";
export { chooseAnswer } from "./choose";
export {
  answersPolls,
  crowdActs,
  inventHouse,
  mostInvented,
  tempers,
  type CrowdAct,
  type CrowdPlan,
  type Invented,
  type Temper,
} from "./invent";
export { inventedFamilyNames, inventedLines, inventedNames, inventedQuestions, inventedWords } from "./words";
