import type { QuestionState } from "../../questions";
import type { QuestionsState } from "./state";

type About = { questionId: string };
type How = "aloud" | "to-one" | "to-all";

export type QuestionsCommand =
  /** `askerId`: only where another act makes the question, as a chat line does */
  | ({ type: "questions.ask"; segmentId: string | null; isAnonymous?: boolean; askerId?: string | undefined } & About)
  /** by somebody who watches the recording: answered by mail */
  | ({ type: "questions.ask-afterwards" } & About)
  | ({
      type: "questions.move";
      state: Exclude<QuestionState, "new" | "done">;
      segmentId: string | null;
      /** whom it is lined up for; not named: as it was */
      forId?: string | null | undefined;
    } & About)
  | ({ type: "questions.show" } & About)
  | ({ type: "questions.take"; isMine: boolean } & About)
  | ({ type: "questions.answer"; how: How } & About)
  | ({ type: "questions.merge"; intoId: string } & About)
  | ({ type: "questions.part" } & About)
  | ({ type: "questions.comment"; commentId: string } & About)
  | ({ type: "questions.remove-comment"; commentId: string } & About);

export type QuestionsEntry =
  | ({
      type: "questions.asked";
      askerId: string;
      segmentId: string | null;
      isAnonymous?: boolean;
      isHeld?: boolean;
      isAfterwards?: boolean;
    } & About)
  | ({ type: "questions.moved"; state: QuestionState; segmentId: string | null; forId?: string | null } & About)
  | ({ type: "questions.shown" } & About)
  | ({ type: "questions.taken"; byId: string | null } & About)
  | ({ type: "questions.answered"; how: How } & About)
  | ({ type: "questions.merged"; intoId: string } & About)
  | ({ type: "questions.parted" } & About)
  | ({ type: "questions.commented"; commentId: string } & About)
  | ({ type: "questions.comment-removed"; commentId: string } & About);

export interface QuestionsShape {
  state: QuestionsState;
  command: QuestionsCommand;
  fact: { type: "questions.vote"; questionId: string; isFor: boolean };
  whisper: never;
  entry: QuestionsEntry;
}
