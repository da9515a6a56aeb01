import { fail, ok, type Result } from "../../shared";
import type { Capability } from "../capability";
import type { QuestionsEntry, QuestionsShape } from "./shape";
import { mostComments, type QuestionsState, type RoomQuestion } from "./state";

const done = (action: string) => fail({ code: "already-done", action } as const);

/** Refused for what is no question of this date. */
function known(
  own: QuestionsState,
  id: string,
  then: (question: RoomQuestion) => Result<QuestionsEntry[]>,
): Result<QuestionsEntry[]> {
  const question = own.asked.get(id);
  return question ? then(question) : fail({ code: "not-found", what: "question" });
}

export const decideQuestions: Capability<QuestionsShape>["decide"] = {
  "questions.ask": (own, { questionId, segmentId, askerId, isAnonymous = false }, { switches }, { ticketId }) => {
    if (own.asked.has(questionId)) return done("questions.ask");
    if (isAnonymous && !switches.questions.anonymous) return fail({ code: "switched-off", what: "no-name" });
    const { isHeld } = switches.questions;
    return ok([
      {
        type: "questions.asked",
        questionId,
        askerId: askerId ?? ticketId,
        segmentId,
        ...(isAnonymous ? { isAnonymous } : {}),
        ...(isHeld ? { isHeld } : {}),
      },
    ]);
  },
  "questions.ask-afterwards": (own, { questionId }, _, { ticketId }) =>
    own.asked.has(questionId)
      ? done("questions.ask-afterwards")
      : ok([{ type: "questions.asked", questionId, askerId: ticketId, segmentId: null, isAfterwards: true }]),
  "questions.move": (own, { questionId, state, segmentId, forId }, { scene }) =>
    known(own, questionId, (question) => {
      if (forId && !scene.stageTicketIds.has(forId)) return fail({ code: "not-found", what: "person" });
      const next = segmentId ?? question.segmentId;
      const whom = forId === undefined ? (question.forId ?? null) : forId;
      const isSame = question.state === state && question.segmentId === next && (question.forId ?? null) === whom;
      if (isSame) return done("questions.move");
      return ok([{ type: "questions.moved", questionId, state, segmentId: next, forId: whom }]);
    }),
  "questions.show": (own, { questionId }) =>
    known(own, questionId, ({ isHeld }) =>
      isHeld ? ok([{ type: "questions.shown", questionId }]) : done("questions.show"),
    ),
  "questions.take": (own, { questionId, isMine }, _, { ticketId }) =>
    known(own, questionId, (question) => {
      const byId = isMine ? ticketId : null;
      return question.takenBy === byId ? done("questions.take") : ok([{ type: "questions.taken", questionId, byId }]);
    }),
  "questions.answer": (own, { questionId, how }) =>
    known(own, questionId, () => ok([{ type: "questions.answered", questionId, how }])),
  "questions.merge": (own, { questionId, intoId }) =>
    known(own, questionId, (question) =>
      known(own, intoId, (into) => {
        if (question.mergedIntoId === intoId) return done("questions.merge");
        // of two that were merged already the older decides: chains would hide who stands where
        if (questionId === intoId || into.mergedIntoId || question.mergedIntoId)
          return fail({ code: "already-done", action: "questions.merge" });
        return ok([{ type: "questions.merged", questionId, intoId }]);
      }),
    ),
  "questions.part": (own, { questionId }) =>
    known(own, questionId, ({ mergedIntoId }) =>
      mergedIntoId ? ok([{ type: "questions.parted", questionId }]) : done("questions.part"),
    ),
  "questions.comment": (own, { questionId, commentId }) =>
    known(own, questionId, ({ comments = [] }) => {
      if (comments.some(({ id }) => id === commentId)) return done("questions.comment");
      if (comments.length >= mostComments) return fail({ code: "comments-full", most: mostComments });
      return ok([{ type: "questions.commented", questionId, commentId }]);
    }),
  "questions.remove-comment": (own, { questionId, commentId }) =>
    known(own, questionId, ({ comments = [] }) =>
      comments.some(({ id }) => id === commentId)
        ? ok([{ type: "questions.comment-removed", questionId, commentId }])
        : done("questions.remove-comment"),
    ),
};
