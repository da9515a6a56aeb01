import type { QuestionState } from "../../questions";

/** A comment under a question; nameless where the house sees no names. */
export interface CommentItem {
  readonly id: string;
  readonly text: string;
  readonly name: string;
  readonly at: number;
}

export interface DeskQuestionItem {
  readonly text: string;
  readonly askerId: string;
  /** empty where nobody is told who asked */
  readonly askerName: string;
  readonly isAnonymous: boolean;
  readonly isHeld: boolean;
  readonly mergedIntoId: string | null;
  readonly forId: string | null;
  readonly comments: readonly CommentItem[];
  readonly askedAt: number;
  readonly state: QuestionState;
  readonly segmentId: string | null;
  readonly takenBy: string | null;
  readonly answered: "aloud" | "to-one" | "to-all" | null;
  readonly answer: string | null;
}
export interface StageQuestionItem {
  readonly text: string;
  readonly askerName: string;
  readonly state: QuestionState;
  readonly segmentId: string | null;
  readonly forId: string | null;
  readonly forName: string;
}
export interface HouseQuestionItem {
  readonly text: string;
  readonly isOnStage: boolean;
  readonly isAnswered: boolean;
  readonly askedAt: number;
  readonly answer: string | null;
  /** empty where names are not shown, and of anonymous ones */
  readonly askerName: string;
  readonly comments: readonly CommentItem[];
}
