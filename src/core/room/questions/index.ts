import { audience, live, team } from "../../people";
import type { QuestionState } from "../../questions";
import type { QuestionsState, RoomQuestion } from "./state";
import { Book, fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { deskQuestions, houseQuestions, stageQuestions, votesOf } from "./views";

export type { QuestionsState, RoomQuestion } from "./state";

export type QuestionsCommand =
  /** `askerId`: only where another act makes the question, as a chat line does */
  | { type: "questions.ask"; questionId: string; segmentId: string | null; askerId?: string | undefined }
  | {
      type: "questions.move";
      questionId: string;
      state: Exclude<QuestionState, "new" | "done">;
      segmentId: string | null;
    }
  | { type: "questions.take"; questionId: string; isMine: boolean }
  | { type: "questions.answer"; questionId: string; how: "aloud" | "to-one" | "to-all" };
export type QuestionsEntry =
  | { type: "questions.asked"; questionId: string; askerId: string; segmentId: string | null }
  | { type: "questions.moved"; questionId: string; state: QuestionState; segmentId: string | null }
  | { type: "questions.taken"; questionId: string; byId: string | null }
  | { type: "questions.answered"; questionId: string; how: "aloud" | "to-one" | "to-all" };

export interface QuestionsShape {
  state: QuestionsState;
  command: QuestionsCommand;
  fact: { type: "questions.vote"; questionId: string; isFor: boolean };
  whisper: never;
  entry: QuestionsEntry;
}

const done = (action: string) => fail({ code: "already-done", action } as const);

function withQuestion(own: QuestionsState, id: string, change: Partial<RoomQuestion>): QuestionsState {
  const question = own.asked.get(id);
  return question ? { ...own, asked: own.asked.with(id, { ...question, ...change }) } : own;
}

/** The one on stage makes room: it was answered aloud, unless something else is already said of it. */
function clearStage(own: QuestionsState, at: number): QuestionsState {
  const was = own.onStageId === null ? undefined : own.asked.get(own.onStageId);
  if (!was || was.state !== "on-stage") return { ...own, onStageId: null };
  const answered = was.answered ?? "aloud";
  const settled = withQuestion(own, own.onStageId!, { state: "done", answered, answeredAt: was.answeredAt ?? at });
  return { ...settled, onStageId: null };
}

function move(
  own: QuestionsState,
  entry: Extract<QuestionsEntry, { type: "questions.moved" }>,
  at: number,
): QuestionsState {
  const { questionId, state, segmentId } = entry;
  const isOnStage = state === "on-stage";
  const cleared = isOnStage && own.onStageId !== questionId ? clearStage(own, at) : own;
  const onStageId = isOnStage ? questionId : cleared.onStageId === questionId ? null : cleared.onStageId;
  return { ...withQuestion(cleared, questionId, { state, segmentId }), onStageId };
}

const handle = { roles: team, duty: "questions", phases: live } as const;

/** Questions of the audience (rule 12). */
export const questions = {
  rights: {
    "questions.ask": { roles: audience, phases: ["open"], needs: { switch: "questions" } },
    "questions.vote": { roles: audience, phases: ["open"], needs: { switch: "questions" } },
    "questions.move": handle,
    "questions.take": handle,
    "questions.answer": { ...handle, phases: ["open", "ended"] },
  },
  paces: { "questions.ask": { burst: 3, everyMs: 20_000 } },
  empty: { asked: Book.empty(), onStageId: null } as QuestionsState,
  decide: {
    "questions.ask": (own, { questionId, segmentId, askerId }, _, { ticketId }) =>
      own.asked.has(questionId)
        ? done("questions.ask")
        : ok([{ type: "questions.asked", questionId, askerId: askerId ?? ticketId, segmentId }]),
    "questions.move": (own, { questionId, state, segmentId }) => {
      const question = own.asked.get(questionId);
      if (!question) return fail({ code: "not-found", what: "question" });
      const next = segmentId ?? question.segmentId;
      if (question.state === state && question.segmentId === next) return done("questions.move");
      return ok([{ type: "questions.moved", questionId, state, segmentId: next }]);
    },
    "questions.take": (own, { questionId, isMine }, _, { ticketId }) => {
      const question = own.asked.get(questionId);
      if (!question) return fail({ code: "not-found", what: "question" });
      const byId = isMine ? ticketId : null;
      return question.takenBy === byId ? done("questions.take") : ok([{ type: "questions.taken", questionId, byId }]);
    },
    "questions.answer": (own, { questionId, how }) =>
      own.asked.has(questionId)
        ? ok([{ type: "questions.answered", questionId, how }])
        : fail({ code: "not-found", what: "question" }),
  },
  fold: {
    "questions.asked": (own, { questionId, askerId, segmentId }, { at }) => ({
      ...own,
      asked: own.asked.with(questionId, {
        askerId,
        segmentId,
        askedAt: at,
        state: "new",
        takenBy: null,
        answered: null,
        answeredAt: null,
      }),
    }),
    "questions.moved": (own, entry, { at }) => move(own, entry, at),
    "questions.taken": (own, { questionId, byId }) => withQuestion(own, questionId, { takenBy: byId }),
    "questions.answered": (own, { questionId, how }, { ticketId, at }) => {
      const answered = { state: "done", answered: how, answeredAt: at, takenBy: ticketId } as const;
      const onStageId = own.onStageId === questionId ? null : own.onStageId;
      return { ...withQuestion(own, questionId, answered), onStageId };
    },
  },
  hears: (own, entry, { at }) => (entry.type === "hour.ended" ? clearStage(own, at) : own),
  views: {
    "questions:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["questions", "people", "votes"],
      make: (sight) => {
        const items = deskQuestions(sight);
        return { questions: items, votes: votesOf(sight.figures, items) };
      },
    },
    "questions:stage": {
      isFor: (standing) => isOfTheStage(standing) && !standing.isAtDesk,
      reads: ["questions", "people"],
      make: (sight) => ({ questions: stageQuestions(sight) }),
    },
    "questions:house": {
      isFor: isInHouse,
      reads: ["questions", "votes"],
      make: (sight) => {
        const items = houseQuestions(sight);
        return { questions: items, votes: votesOf(sight.figures, items) };
      },
    },
  },
} as const satisfies Capability<QuestionsShape>;
