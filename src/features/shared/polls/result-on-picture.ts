import { noTally, noVoteId, resultOf } from "@/core/polls";
import type { DeskView } from "@/core/room";
import type { Painted } from "../composer/draw";

/** The first question of the poll that is on the picture, as bars; null where none is. */
export function resultOnPicture({ polls, tallies }: Pick<DeskView, "polls" | "tallies">): Painted["result"] {
  const [id, poll] = Object.entries(polls).find(([, one]) => one.isOnPicture) ?? [];
  const question = poll?.questions[0];
  if (!id || !question) return null;
  const { lines } = resultOf(question, tallies[id]?.byQuestion[question.id] ?? noTally, poll.isSample);
  return {
    title: question.text,
    bars: lines.map((line) => ({ label: line.id === noVoteId ? "—" : line.label, percent: line.percent })),
  };
}
