import { audience, live, team } from "../../people";
import { Book } from "../../shared";
import type { Capability } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { decideQuestions } from "./act";
import { foldQuestions } from "./fold";
import type { QuestionsShape } from "./shape";
import { clearStage, type QuestionsState } from "./state";
import { deskQuestions, houseQuestions, stageQuestions, votesOf } from "./views";

export { mostComments, type QuestionsState, type RoomQuestion } from "./state";
export type { QuestionsCommand, QuestionsEntry, QuestionsShape } from "./shape";

const handle = { roles: team, duty: "questions", phases: live } as const;
const byHouse = { roles: audience, phases: ["open"] } as const;

/** Questions of the audience (rule 12). */
export const questions = {
  rights: {
    "questions.ask": { ...byHouse, needs: { switch: "questions" } },
    "questions.ask-afterwards": { roles: audience, phases: ["ended"] },
    "questions.vote": { ...byHouse, needs: { switch: "questions", part: "votes" } },
    "questions.comment": { ...byHouse, needs: { switch: "questions", part: "comments" } },
    "questions.move": handle,
    "questions.show": handle,
    "questions.take": handle,
    "questions.merge": handle,
    "questions.part": handle,
    "questions.remove-comment": handle,
    "questions.answer": { ...handle, phases: ["open", "ended"] },
  },
  paces: {
    "questions.ask": { burst: 3, everyMs: 20_000 },
    "questions.ask-afterwards": { burst: 3, everyMs: 20_000 },
    "questions.comment": { burst: 3, everyMs: 10_000 },
  },
  empty: { asked: Book.empty(), onStageId: null } as QuestionsState,
  decide: decideQuestions,
  fold: foldQuestions,
  hears: (own, entry, { at }) => (entry.type === "hour.ended" ? { ...clearStage(own, at), isOver: true } : own),
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
      reads: ["questions", "people", "votes"],
      make: (sight) => {
        const items = houseQuestions(sight);
        return { questions: items, votes: votesOf(sight.figures, items) };
      },
    },
  },
} as const satisfies Capability<QuestionsShape>;
