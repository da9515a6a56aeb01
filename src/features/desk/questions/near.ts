import { NearDuplicates } from "@/core/questions";
import type { DeskView } from "@/core/room";

type Questions = DeskView["questions"];

const canBeJoined = (question: Questions[string] | undefined): boolean =>
  question !== undefined && question.mergedIntoId === null && question.state !== "not-taken";

/** Finds near-duplicates among the desk's questions; what was looked at once is not looked at again. */
export function nearFinder(): (questions: Questions, id: string) => string | null {
  const near = new NearDuplicates();
  return (questions, id) => {
    const own = questions[id];
    if (!own || !canBeJoined(own) || own.state !== "new") return null;
    const fresh = Object.entries(questions).filter(([other]) => !near.has(other));
    fresh.sort(([a, x], [b, y]) => x.askedAt - y.askedAt || (a < b ? -1 : 1));
    for (const [other, { text }] of fresh) near.add(other, text);
    return near.of(id).find((one) => canBeJoined(questions[one.id]))?.id ?? null;
  };
}
