import { foldedText, groupBy } from "../shared";
import { medianOf } from "../attendance";
import { wilsonInterval } from "../polls";
import { meanFigures, type MeanFigures } from "./student";
import { fewestTogether, stepsOf, type SurveyAnswers, type SurveyQuestion } from "./survey";

export interface SurveyLine {
  readonly label: string;
  readonly count: number;
  /** of those who answered this question, 0–1 */
  readonly share: number;
  readonly interval: { readonly low: number; readonly high: number } | null;
}

/** What a question came to; words stand together where they are the same but for capitals and blanks. */
export interface SurveyResult {
  readonly question: SurveyQuestion;
  readonly n: number;
  readonly lines: readonly SurveyLine[];
  /** of a scale; the interval only where the survey is marked as a sample */
  readonly figures: (Omit<MeanFigures, "n"> & { readonly median: number }) | null;
}

function wordLines(texts: readonly string[]): { label: string; count: number }[] {
  return [...groupBy(texts, foldedText).values()]
    .map((ways) => {
      const by = [...groupBy(ways, (one) => one.trim())].sort((a, b) => b[1].length - a[1].length);
      return { label: by[0]![0], count: ways.length };
    })
    .sort((a, b) => b.count - a.count || (a.label < b.label ? -1 : 1));
}

/** Rule 30, of one question. @param isSample intervals are shown only where the producer marks it as a sample */
export function surveyResult(
  question: SurveyQuestion,
  answers: readonly SurveyAnswers[],
  isSample: boolean,
): SurveyResult {
  const given = answers.map((one) => one[question.id]).filter((one) => one !== undefined);
  const n = given.length;
  const { kind, options } = question;
  const counted =
    kind === "text"
      ? wordLines(given.map(String))
      : kind === "choice" || kind === "several"
        ? options.map((label) => ({ label, count: given.filter((one) => [one].flat().includes(label)).length }))
        : stepsOf(kind).map((step) => ({ label: String(step), count: given.filter((one) => one === step).length }));
  const values = stepsOf(kind).length > 0 ? given.map(Number) : [];
  const mean = meanFigures(values);
  return {
    question,
    n,
    lines: counted.map((line) => ({
      ...line,
      share: n === 0 ? 0 : line.count / n,
      interval: isSample && n > 0 && kind !== "text" ? wilsonInterval(line.count, n) : null,
    })),
    figures: mean && {
      mean: mean.mean,
      deviation: mean.deviation,
      interval: isSample ? mean.interval : null,
      median: medianOf(values),
    },
  };
}

export interface SurveyGroup {
  readonly label: string;
  readonly answers: readonly SurveyAnswers[];
}

/**
 * Answers cut by what was answered to one question of choice. Anonymous ones stand only in groups of at least five:
 * the small ones stand together without a name where they are five, else they join the largest; fewer than five in
 * all are not shown.
 */
export function surveyGroups(
  by: SurveyQuestion,
  answers: readonly SurveyAnswers[],
  isAnonymous: boolean,
): readonly SurveyGroup[] {
  const cut = groupBy(
    answers.filter((one) => typeof one[by.id] === "string"),
    (one) => String(one[by.id]),
  );
  const groups = by.options.flatMap((label) => (cut.has(label) ? [{ label, answers: cut.get(label)! }] : []));
  if (!isAnonymous) return groups;
  const small = groups.filter((one) => one.answers.length < fewestTogether);
  const large = groups
    .filter((one) => one.answers.length >= fewestTogether)
    .sort((a, b) => b.answers.length - a.answers.length);
  const rest = small.flatMap((one) => one.answers);
  const [largest, ...others] = large;
  if (!largest) return rest.length >= fewestTogether ? [{ label: "", answers: rest }] : [];
  if (rest.length === 0) return groups;
  if (rest.length >= fewestTogether) return [largest, ...others, { label: "", answers: rest }];
  return [{ label: largest.label, answers: [...largest.answers, ...rest] }, ...others];
}
