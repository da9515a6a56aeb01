import type { Capability } from "../capability";
import type { QuestionsEntry, QuestionsShape } from "./shape";
import { clearStage, mergedWith, withQuestion, type QuestionsState } from "./state";

function move(
  own: QuestionsState,
  entry: Extract<QuestionsEntry, { type: "questions.moved" }>,
  at: number,
): QuestionsState {
  const { questionId, state, segmentId, forId } = entry;
  const isOnStage = state === "on-stage";
  const cleared = isOnStage && own.onStageId !== questionId ? clearStage(own, at) : own;
  const onStageId = isOnStage ? questionId : cleared.onStageId === questionId ? null : cleared.onStageId;
  const change = {
    state,
    segmentId,
    ...(forId === undefined ? {} : { forId }),
    ...(state === "later" ? { isByMail: true } : {}),
    // whoever lines it up has looked at it
    ...(state === "lined-up" || isOnStage ? { isHeld: false } : {}),
  };
  return { ...withQuestion(cleared, questionId, change), onStageId };
}

export const foldQuestions: Capability<QuestionsShape>["fold"] = {
  "questions.asked": (own, { questionId, askerId, segmentId, isAnonymous, isHeld, isAfterwards }, { at }) => ({
    ...own,
    asked: own.asked.with(questionId, {
      askerId,
      segmentId,
      askedAt: at,
      state: "new",
      takenBy: null,
      answered: null,
      answeredAt: null,
      ...(isAnonymous ? { isAnonymous } : {}),
      ...(isHeld ? { isHeld } : {}),
      ...(isAfterwards ? { state: "later", isByMail: true } : {}),
    }),
  }),
  "questions.moved": (own, entry, { at }) => move(own, entry, at),
  "questions.shown": (own, { questionId }) => withQuestion(own, questionId, { isHeld: false }),
  "questions.taken": (own, { questionId, byId }) => withQuestion(own, questionId, { takenBy: byId }),
  "questions.answered": (own, { questionId, how }, { ticketId, at }) => {
    const answered = {
      state: "done",
      answered: how,
      answeredAt: at,
      takenBy: ticketId,
      ...(how === "to-one" ? {} : { isHeld: false }),
      ...(own.isOver && how !== "aloud" ? { isByMail: true } : {}),
    } as const;
    const onStageId = own.onStageId === questionId ? null : own.onStageId;
    return { ...withQuestion(own, questionId, answered), onStageId };
  },
  "questions.merged": (own, { questionId, intoId }) => ({
    ...mergedWith(own, questionId, intoId),
    onStageId: own.onStageId === questionId ? intoId : own.onStageId,
  }),
  "questions.parted": (own, { questionId }) => mergedWith(own, questionId, null),
  "questions.commented": (own, { questionId, commentId }, { ticketId, at }) =>
    withQuestion(own, questionId, {
      comments: [...(own.asked.get(questionId)?.comments ?? []), { id: commentId, byId: ticketId, at }],
    }),
  "questions.comment-removed": (own, { questionId, commentId }) =>
    withQuestion(own, questionId, {
      comments: (own.asked.get(questionId)?.comments ?? []).filter(({ id }) => id !== commentId),
    }),
};
