import type { QuestionState } from "../../questions";
import type { Book } from "../../shared";

export interface RoomQuestion {
  readonly askerId: string;
  readonly askedAt: number;
  readonly state: QuestionState;
  readonly segmentId: string | null;
  readonly takenBy: string | null;
  /** how it was answered: aloud, or in writing to the asker or to all */
  readonly answered: "aloud" | "to-one" | "to-all" | null;
  readonly answeredAt: number | null;
}
export interface QuestionsState {
  readonly asked: Book<RoomQuestion>;
  /** the one being answered now */
  readonly onStageId: string | null;
}
