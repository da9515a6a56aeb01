import type { PollKind, PollQuestion } from "./poll";
import { weightsOf, type Choice } from "./choice";

/** What came together for one question: people who answered, and votes (or points) by option or by text. */
export interface Tally {
  readonly voters: number;
  readonly counts: Readonly<Record<string, number>>;
}
/** The tallies of a poll, by question. */
export type Tallies = Readonly<Record<string, Tally>>;

export const noTally: Tally = { voters: 0, counts: {} };

/** The tally with so many people's same choice laid on; negative ones take back. */
export function withChoice(tally: Tally, kind: PollKind, choice: Choice, people: number): Tally {
  const counts = { ...tally.counts };
  for (const [key, weight] of Object.entries(weightsOf(kind, choice))) {
    const count = (counts[key] ?? 0) + weight * people;
    if (count === 0) delete counts[key];
    else counts[key] = count;
  }
  return { voters: tally.voters + people, counts };
}

/** Several people's choices, as rows of equal ones. */
export const tallyOf = (
  question: Pick<PollQuestion, "kind">,
  choices: Iterable<{ readonly choice: Choice; readonly people: number }>,
): Tally => {
  let tally = noTally;
  for (const { choice, people } of choices) tally = withChoice(tally, question.kind, choice, people);
  return tally;
};
