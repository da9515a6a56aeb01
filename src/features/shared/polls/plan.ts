import type { PollPlanInput } from "@/contracts";
import {
  mayOfferNoVote,
  noVote,
  noVoteId,
  plainPoll,
  presenceOptions,
  scaleOf,
  scaleOptions,
  type PollKind,
  type PollOption,
} from "@/core/polls";

export type QuestionDraft = PollPlanInput["questions"][number];

export const freshQuestion = (id: string, kind: PollKind = "one-choice"): QuestionDraft =>
  withKind({ id, kind: "one-choice", text: "", options: [], rightIds: [] }, kind);

export const freshPoll = (): PollPlanInput => ({ ...plainPoll, questions: [freshQuestion("q1")] });

/** Shapes that a poll often has, to begin with. */
export const pollShapes: readonly { readonly label: string; readonly make: () => PollPlanInput }[] = [
  {
    label: "Yes or no",
    make: () => ({
      ...plainPoll,
      questions: [{ ...freshQuestion("q1"), options: optionsFrom(["Yes", "No"], []) }],
    }),
  },
  { label: "From 1 to 5", make: () => ({ ...plainPoll, questions: [freshQuestion("q1", "scale")] }) },
  { label: "Put in order", make: () => ({ ...plainPoll, questions: [freshQuestion("q1", "ranking")] }) },
  { label: "Free text", make: () => ({ ...plainPoll, questions: [freshQuestion("q1", "open-text")] }) },
  { label: "Quiz", make: () => ({ ...plainPoll, questions: [freshQuestion("q1", "quiz")] }) },
  {
    label: "Presence check",
    make: () => ({
      ...plainPoll,
      limitSeconds: 120,
      questions: [{ ...freshQuestion("q1", "presence-check"), text: "Are you still with us?" }],
    }),
  },
];

const ownOptions = (question: QuestionDraft): PollOption[] => question.options.filter(({ id }) => id !== noVoteId);
export const offersNoVote = (question: QuestionDraft): boolean => question.options.some(({ id }) => id === noVoteId);
export const withNoVote = (question: QuestionDraft, isOffered: boolean): QuestionDraft => ({
  ...question,
  options: [...ownOptions(question), ...(isOffered ? [noVote] : [])],
});

/** Answers from lines; an answer keeps its id while its line stays where it is. */
export const optionsFrom = (labels: readonly string[], before: readonly PollOption[]): PollOption[] =>
  labels.map((label, i) => ({ id: before[i]?.id ?? `o${i + 1}`, label }));
export const linesOf = (question: QuestionDraft): string[] => ownOptions(question).map(({ label }) => label);
export function withLines(question: QuestionDraft, labels: readonly string[]): QuestionDraft {
  const options = optionsFrom(labels, ownOptions(question));
  const kept = new Set(options.map(({ id }) => id));
  const rightIds = question.rightIds.filter((id) => kept.has(id));
  return withNoVote({ ...question, options, rightIds }, offersNoVote(question));
}

const generated: ReadonlySet<PollKind> = new Set(["scale", "open-text", "presence-check"]);
/** The question as one of another kind: answers that were written stay where the kind has some. */
export function withKind(question: QuestionDraft, kind: PollKind): QuestionDraft {
  const written = generated.has(question.kind) ? [] : ownOptions(question);
  const options =
    kind === "scale"
      ? scaleOptions(scaleOf(question.options))
      : kind === "presence-check"
        ? [...presenceOptions]
        : kind === "open-text"
          ? []
          : written;
  const next = { ...question, kind, options, rightIds: kind === "quiz" ? question.rightIds : [] };
  return withNoVote(next, mayOfferNoVote(kind) && offersNoVote(question));
}
/** Lines that hold nothing are dropped when the field is left. */
export const withoutEmptyLines = (question: QuestionDraft): QuestionDraft => ({
  ...question,
  options: question.options.filter(({ label }) => label.trim() !== ""),
});
