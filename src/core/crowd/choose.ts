import type { Choice, PollQuestion } from "../polls";
import type { Chance } from "./chance";

/** How somebody invented answers a question of a poll: the first options a little more often. */
export function chooseAnswer(chance: Chance, question: PollQuestion, words: readonly string[]): Choice {
  const ids = question.options.map((option) => option.id);
  switch (question.kind) {
    case "open-text":
      return [chance.pick(words)];
    case "several-choices": {
      const chosen = ids.filter(() => chance.next() < 0.45);
      return chosen.length > 0 ? chosen : [ids[0]!];
    }
    case "ranking":
      return ids
        .map((id, i) => ({ id, weight: chance.next() + i * 0.15 }))
        .sort((a, b) => a.weight - b.weight)
        .map(({ id }) => id);
    case "scale":
      return [chance.pick([...ids, ...ids.slice(2)])];
    default:
      return [chance.pick([...ids, ids[0]!, ids[1] ?? ids[0]!])];
  }
}
