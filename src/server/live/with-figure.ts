import { noTally, withChoice } from "@/core/polls";
import type { RoomFigures } from "@/core/room";
import type { FigureChange } from "../room";

/** Figures with what one fact added: they are not counted anew. Signals are kept by their own book. */
export function withFigure(figures: RoomFigures, change: Exclude<FigureChange, { of: "signal" }>): RoomFigures {
  if (change.of === "votes") {
    const votes = new Map(figures.votes);
    votes.set(change.questionId, Math.max(0, (votes.get(change.questionId) ?? 0) + change.by));
    return { ...figures, votes };
  }
  const tallies = new Map(figures.tallies);
  const poll = { ...tallies.get(change.pollId) };
  for (const { questionId, kind, from, to } of change.changes) {
    const was = poll[questionId] ?? noTally;
    poll[questionId] = withChoice(from === null ? was : withChoice(was, kind, from, -1), kind, to, 1);
  }
  tallies.set(change.pollId, poll);
  return { ...figures, tallies };
}
