import { fail, ok, type Result } from "../shared";
import { noVoteId, type PollPlan, type PollQuestion } from "./poll";

/** What somebody chose: option ids (in order of preference for a ranking), or the text that was written. */
export type Choice = readonly string[];
/** The answers of one person, by question. */
export type Answers = Readonly<Record<string, Choice>>;

export const mostTextLength = 200;

// control characters, and those that turn the direction of what follows
const unwanted = /[\u0000-\u001f\u007f-\u009f\u202a-\u202e\u2066-\u2069]/gu;
const cleanText = (text: string): string => text.replace(unwanted, " ").replace(/\s+/gu, " ").trim();

const noSuch = fail({ code: "no-such-option" } as const);
const incomplete = fail({ code: "answer-incomplete" } as const);

/** One choice as it is kept: options in the poll's order where the order says nothing, texts cleaned. */
export function readChoice(question: PollQuestion, choice: Choice): Result<Choice> {
  if (question.kind === "open-text") {
    const text = cleanText(choice.join(" ")).slice(0, mostTextLength).trim();
    return text === "" ? incomplete : ok([text]);
  }
  const known = new Set(question.options.map((option) => option.id));
  if (choice.some((id) => !known.has(id)) || new Set(choice).size < choice.length) return noSuch;
  if (choice.length === 0) return incomplete;
  if (question.kind === "ranking") return choice.length === known.size ? ok(choice) : incomplete;
  if (question.kind !== "several-choices") return choice.length === 1 ? ok(choice) : noSuch;
  // whoever declines chooses nothing else
  if (choice.length > 1 && choice.includes(noVoteId)) return noSuch;
  return ok(question.options.map((option) => option.id).filter((id) => choice.includes(id)));
}

/** All answers that came together; what is no question of the poll is refused. */
export function readAnswers(poll: Pick<PollPlan, "questions">, answers: Answers): Result<Answers> {
  const out: Record<string, Choice> = {};
  for (const [id, choice] of Object.entries(answers)) {
    const question = poll.questions.find((one) => one.id === id);
    if (!question) return noSuch;
    const read = readChoice(question, choice);
    if (!read.ok) return read;
    out[id] = read.value;
  }
  return Object.keys(out).length === 0 ? incomplete : ok(out);
}

/** Whether two ballots say the same, as they are kept. */
export const isSameBallot = (a: Answers, b: Answers): boolean =>
  Object.keys(a).length === Object.keys(b).length &&
  Object.entries(a).every(([id, choice]) => JSON.stringify(choice) === JSON.stringify(b[id]));

/** What one choice adds to a question's counts: a vote an option, Borda's points for a ranking, a text for itself. */
export function weightsOf(kind: PollQuestion["kind"], choice: Choice): Readonly<Record<string, number>> {
  const points = (place: number) => (kind === "ranking" ? choice.length - 1 - place : 1);
  return Object.fromEntries(choice.map((key, place) => [key, points(place)]));
}
