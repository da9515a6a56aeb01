import { foldedText, groupBy } from "../shared";
import type { PollQuestion } from "./poll";
import { share } from "./share";
import type { Tally } from "./tally";
import { wilsonInterval } from "./wilson";

/** One line of a result: an option, a step of a scale, or a text that was written. */
export interface ResultLine {
  readonly id: string;
  readonly label: string;
  /** people who chose it; Borda's points for a ranking */
  readonly count: number;
  /** whole percents of those who answered, each rounded half up by itself */
  readonly percent: number;
  /** the same with one decimal, for files */
  readonly percentForFiles: number;
  readonly isRight: boolean;
  /** 95 %, where the poll is a sample: shares between 0 and 1 */
  readonly interval: { readonly low: number; readonly high: number } | null;
  /** its place in a ranking: ties share one */
  readonly place: number | null;
}

export interface PollResult {
  readonly kind: PollQuestion["kind"];
  readonly voters: number;
  readonly lines: readonly ResultLine[];
  /** a shown percentage is not the exact one: the screen says "rounded" */
  readonly isRounded: boolean;
  /** of a scale; null where nobody answered with a figure */
  readonly mean: number | null;
  readonly median: number | null;
  /** people whose answer was right, of a quiz */
  readonly right: number | null;
}

/** Texts that are the same but for capitals and blanks stand together under the way most wrote it. */
function textGroups(counts: Tally["counts"]): { id: string; label: string; count: number }[] {
  return [...groupBy(Object.entries(counts), ([text]) => foldedText(text))]
    .map(([id, ways]) => {
      const [label] = ways.reduce((most, way) => (way[1] > most[1] ? way : most));
      return { id, label, count: ways.reduce((sum, [, n]) => sum + n, 0) };
    })
    .sort((a, b) => b.count - a.count || (a.id < b.id ? -1 : 1));
}

/** Ranks by count, highest first; equal counts share a place (1, 2, 2, 4). */
const placeIn = (counts: readonly number[], count: number): number =>
  counts.filter((other) => other > count).length + 1;

/** Mean and median of the figures that were chosen; steps that are no figures (no vote) are left out. */
export function scaleFigures(counts: Tally["counts"]): { mean: number; median: number } | null {
  const steps = Object.entries(counts)
    .map(([step, n]) => ({ value: Number(step), n }))
    .filter(({ value, n }) => Number.isFinite(value) && n > 0)
    .sort((a, b) => a.value - b.value);
  const n = steps.reduce((sum, step) => sum + step.n, 0);
  if (n === 0) return null;
  const at = (place: number): number => {
    let passed = 0;
    return steps.find((step) => (passed += step.n) > place)!.value;
  };
  const mean = steps.reduce((sum, step) => sum + step.value * step.n, 0) / n;
  return { mean, median: (at(Math.floor((n - 1) / 2)) + at(Math.floor(n / 2))) / 2 };
}

/** Rule 11: what a question's votes come to. Options keep their order; votes for options that are gone do not count. */
export function resultOf(question: PollQuestion, tally: Tally, isSample = false): PollResult {
  const { kind } = question;
  const { voters } = tally;
  const raw =
    kind === "open-text"
      ? textGroups(tally.counts)
      : question.options.map(({ id, label }) => ({ id, label, count: tally.counts[id] ?? 0 }));
  // a ranking's points have a base of their own: what everybody together gave
  const points = raw.reduce((sum, { count }) => sum + count, 0);
  const base = kind === "ranking" ? points : voters;
  const counts = raw.map(({ count }) => count);
  const isSampled = isSample && voters > 0 && kind !== "ranking" && kind !== "presence-check";
  const lines = raw.map((line): ResultLine => ({
    ...line,
    percent: share(line.count, base),
    percentForFiles: share(line.count, base, 1),
    isRight: question.rightIds.includes(line.id),
    interval: isSampled ? wilsonInterval(Math.min(line.count, voters), voters) : null,
    place: kind === "ranking" && points > 0 ? placeIn(counts, line.count) : null,
  }));
  const isExact = lines.every(({ percent, count }) => percent * base === count * 100);
  const figures = kind === "scale" ? scaleFigures(tally.counts) : null;
  return {
    kind,
    voters,
    lines,
    isRounded: base > 0 && !isExact,
    mean: figures?.mean ?? null,
    median: figures?.median ?? null,
    right: kind === "quiz" ? lines.reduce((sum, line) => sum + (line.isRight ? line.count : 0), 0) : null,
  };
}

/** How many questions of a quiz somebody has right, of how many. */
export function quizScore(
  questions: readonly PollQuestion[],
  answers: Readonly<Record<string, readonly string[]>>,
): { right: number; of: number } | null {
  const quiz = questions.filter(({ kind }) => kind === "quiz");
  if (quiz.length === 0) return null;
  const isRight = (question: PollQuestion) => question.rightIds.includes(answers[question.id]?.[0] ?? "");
  return { right: quiz.filter(isRight).length, of: quiz.length };
}
