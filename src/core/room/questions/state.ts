import type { QuestionState } from "../../questions";
import { Book } from "../../shared";

export interface QuestionComment {
  readonly id: string;
  readonly byId: string;
  readonly at: number;
}

export interface RoomQuestion {
  readonly askerId: string;
  readonly askedAt: number;
  readonly state: QuestionState;
  readonly segmentId: string | null;
  /** lined up for somebody of the stage */
  readonly forId?: string | null;
  readonly takenBy: string | null;
  /** how it was answered: aloud, or in writing to the asker or to all */
  readonly answered: "aloud" | "to-one" | "to-all" | null;
  readonly answeredAt: number | null;
  /** promised for later: the answer goes by mail after the date */
  readonly isByMail?: boolean;
  /** who asked is known to the record alone */
  readonly isAnonymous?: boolean;
  /** others see it only once the desk has looked at it */
  readonly isHeld?: boolean;
  /** the one that it is asked together with */
  readonly mergedIntoId?: string | null;
  readonly comments?: readonly QuestionComment[];
}
export interface QuestionsState {
  readonly asked: Book<RoomQuestion>;
  /** the one being answered now */
  readonly onStageId: string | null;
  /** the date has ended: answers in writing have no other way than by mail */
  readonly isOver?: boolean;
}

/** Comments under one question. */
export const mostComments = 30;

export function withQuestion(own: QuestionsState, id: string, change: Partial<RoomQuestion>): QuestionsState {
  const question = own.asked.get(id);
  return question ? { ...own, asked: own.asked.with(id, { ...question, ...change }) } : own;
}

/** The one on stage makes room: it was answered aloud, unless something else is already said of it. */
export function clearStage(own: QuestionsState, at: number): QuestionsState {
  const was = own.onStageId === null ? undefined : own.asked.get(own.onStageId);
  if (!was || was.state !== "on-stage") return { ...own, onStageId: null };
  const answered = was.answered ?? "aloud";
  const settled = withQuestion(own, own.onStageId!, { state: "done", answered, answeredAt: was.answeredAt ?? at });
  return { ...settled, onStageId: null };
}

/** Every question with those that were merged into it: what was merged before goes along. */
export function mergedWith(own: QuestionsState, id: string, intoId: string | null): QuestionsState {
  const together = [...own.asked].filter(([other, question]) => other === id || question.mergedIntoId === id);
  const ids = intoId === null ? [id] : together.map(([other]) => other);
  return ids.reduce((next, other) => withQuestion(next, other, { mergedIntoId: intoId }), own);
}
