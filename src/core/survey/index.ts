export { surveyGroups, surveyResult, type SurveyGroup, type SurveyLine, type SurveyResult } from "./result";
export { meanFigures, studentPoint, type MeanFigures } from "./student";
export {
  fewestTogether,
  longestAnswer,
  readSurvey,
  stepsOf,
  surveyFaults,
  surveyKinds,
  surveyOpenDays,
  type SurveyAnswers,
  type SurveyFault,
  type SurveyKind,
  type SurveyQuestion,
} from "./survey";
