/** One question of a survey; scales are those of polls (rule 11). */
export const surveyKinds = ["scale-5", "scale-10", "choice", "several", "text"] as const;
export type SurveyKind = (typeof surveyKinds)[number];

export interface SurveyQuestion {
  readonly id: string;
  readonly kind: SurveyKind;
  readonly label: string;
  readonly isRequired: boolean;
  /** of a choice; empty for the rest */
  readonly options: readonly string[];
}

/** What somebody answered, by question: a step of a scale, an option, several, or words. */
export type SurveyAnswers = Readonly<Record<string, string | number | readonly string[]>>;
export type SurveyFault = "needed" | "not-offered" | "too-long";

export const longestAnswer = 2000;

/** The steps of a scale, lowest first; empty for what is none. */
export const stepsOf = (kind: SurveyKind): readonly number[] =>
  kind === "scale-5" ? [1, 2, 3, 4, 5] : kind === "scale-10" ? [0, 1, 2, 3, 4, 5, 6, 7, 8, 9, 10] : [];

const isEmpty = (answer: SurveyAnswers[string] | undefined): boolean =>
  answer === undefined || answer === "" || (Array.isArray(answer) && answer.length === 0);

function faultOf(question: SurveyQuestion, answer: SurveyAnswers[string] | undefined): SurveyFault | null {
  if (isEmpty(answer)) return question.isRequired ? "needed" : null;
  const { kind, options } = question;
  if (kind === "text")
    return typeof answer !== "string" ? "not-offered" : answer.length > longestAnswer ? "too-long" : null;
  if (kind === "choice") return typeof answer === "string" && options.includes(answer) ? null : "not-offered";
  if (kind === "several")
    return Array.isArray(answer) && answer.every((one) => options.includes(one)) ? null : "not-offered";
  return typeof answer === "number" && stepsOf(kind).includes(answer) ? null : "not-offered";
}

/** What is wrong with answers, by question. */
export const surveyFaults = (
  questions: readonly SurveyQuestion[],
  answers: SurveyAnswers,
): readonly { readonly questionId: string; readonly fault: SurveyFault }[] =>
  questions.flatMap((question) => {
    const fault = faultOf(question, answers[question.id]);
    return fault ? [{ questionId: question.id, fault }] : [];
  });

/** Answers to the questions there are, and no others; what is empty is no answer. */
export const readSurvey = (questions: readonly SurveyQuestion[], answers: SurveyAnswers): SurveyAnswers =>
  Object.fromEntries(
    questions.flatMap(({ id, kind }) => {
      const answer = answers[id];
      if (isEmpty(answer)) return [];
      const kept =
        kind === "several"
          ? [...new Set(answer as readonly string[])]
          : kind === "text"
            ? String(answer).trim()
            : answer!;
      return kept === "" ? [] : [[id, kept] as const];
    }),
  );

/** Until when answers are taken, and can be changed: so many days after the end. */
export const surveyOpenDays = 30;

/** Of fewer than so many nothing is shown of an anonymous survey (rule 30). */
export const fewestTogether = 5;
