import type { MenuItem } from "@/ui";
import type { DeskScene } from "../scene";

type DeskQuestion = DeskScene["view"]["questions"][string];
type State = "lined-up" | "on-stage" | "later" | "not-taken";

/** For whom a question can be lined up: people on stage or standing by. */
const answerers = ({ view }: DeskScene) =>
  Object.entries(view.stage).filter(([, { place }]) => place === "stage" || place === "standby");

/** What else can be done with a question: behind the one act that stands in view. */
export function furtherActs(
  scene: DeskScene,
  id: string,
  question: DeskQuestion,
  answerInWriting: () => void,
): readonly MenuItem[] {
  const { say, send, may, view } = scene;
  const { state } = question;
  const move = (to: State, forId?: string) => () =>
    void send({
      type: "questions.move",
      questionId: id,
      state: to,
      segmentId: null,
      ...(forId === undefined ? {} : { forId }),
    });
  const isTaken = question.takenBy !== null && question.takenBy in view.stage;
  const acts: (MenuItem | false)[] = [
    question.isHeld && {
      label: say`Let others see it`,
      onSelect: () => void send({ type: "questions.show", questionId: id }),
    },
    state === "new" && { label: say`Show now`, onSelect: move("on-stage") },
    (state === "new" || state === "on-stage") && { label: say`Line up`, onSelect: move("lined-up") },
    ...(state === "new" || state === "lined-up"
      ? answerers(scene).map(([ticketId, { name }]) => ({
          label: say`Line up for ${name}`,
          onSelect: move("lined-up", ticketId),
        }))
      : []),
    state !== "later" && !isTaken && { label: say`Answer by mail`, onSelect: move("later") },
    state !== "not-taken" && { label: say`Set aside`, onSelect: move("not-taken") },
    !isTaken && {
      label: say`Take it myself`,
      onSelect: () => void send({ type: "questions.take", questionId: id, isMine: true }),
    },
    may("questions.answer") && { label: say`Answer in writing`, onSelect: answerInWriting },
  ];
  return acts.filter((one) => one !== false);
}
