import type { QuestionState } from "../questions";
import type { StagePlace } from "./state";

/** What may stand in a journal. Every row holds ids, never a name or a text. */
export type EntryBody =
  | { type: "backstage.opened" }
  | { type: "stage.entered"; ticketId: string }
  | { type: "stage.moved"; ticketId: string; place: StagePlace }
  | { type: "microphone.set"; ticketId: string; isOpen: boolean }
  | { type: "microphones.closed"; exceptId: string | null }
  | { type: "doors.opened" }
  | { type: "doors.held" }
  | { type: "doors.released" }
  | { type: "curtain.raised" }
  | { type: "curtain.dropped" }
  | { type: "curtain.struck"; index: number; isStruck: boolean }
  | { type: "cue.given"; segmentId: string }
  | { type: "cue.taken-back" }
  | { type: "question.asked"; questionId: string; askerId: string; segmentId: string | null }
  | { type: "question.moved"; questionId: string; state: QuestionState; segmentId: string | null }
  | { type: "question.taken"; questionId: string; byId: string | null }
  | { type: "question.answered"; questionId: string; how: "aloud" | "to-one" | "to-all" }
  | { type: "poll.added"; pollId: string }
  | { type: "poll.opened"; pollId: string }
  | { type: "poll.closed"; pollId: string }
  | { type: "poll.revealed"; pollId: string }
  | { type: "poll.held-back"; pollId: string }
  | { type: "run-sheet.changed" }
  | { type: "show.imported"; raisedAt: number; droppedAt: number }
  | { type: "date.ended"; curtainFellAt: number | null }
  | { type: "date.cancelled" }
  | { type: "date.restored" }
  | { type: "date.not-held" };

export type EntryType = EntryBody["type"];

/** One row of the journal. */
export interface JournalEntry {
  readonly seq: number;
  readonly at: number;
  /** a ticket's id, or "system" for what time itself does */
  readonly actorId: string;
  readonly body: EntryBody;
}
