import { inOrder } from "@/core/questions";
import type { Offer } from "../offer";
import type { DeskScene } from "../scene";

const mostOffered = 40;

/** What the desk may do about its questions now: the one on stage first, then the open ones in rule 12's order. */
export function questionOffers({ view, may, say }: Pick<DeskScene, "view" | "may" | "say">): readonly Offer[] {
  if (!may("questions.move")) return [];
  const open = Object.entries(view.questions)
    .filter(([, one]) => one.mergedIntoId === null && (one.state === "new" || one.state === "lined-up"))
    .map(([id, one]) => ({ ...one, id, votes: view.votes[id]?.count ?? 0 }));
  const onStage = Object.entries(view.questions).find(([, one]) => one.state === "on-stage");
  const move = (id: string, text: string, act: string, state: "on-stage" | "lined-up" | "not-taken"): Offer => ({
    words: say`Question: ${act} (${text})`,
    command: { type: "questions.move", questionId: id, state, segmentId: null },
  });
  return [
    ...(onStage
      ? [
          {
            words: say`Question: answered aloud (${onStage[1].text})`,
            command: { type: "questions.answer", questionId: onStage[0], how: "aloud", text: null },
          } as const,
        ]
      : []),
    ...inOrder(open, "segment", view.cue["it"]?.currentSegmentId ?? null)
      .slice(0, mostOffered)
      .flatMap(({ id, text, state }) => [
        move(id, text, say`show now`, "on-stage"),
        ...(state === "new" ? [move(id, text, say`line up`, "lined-up")] : []),
        move(id, text, say`set aside`, "not-taken"),
      ]),
  ];
}
