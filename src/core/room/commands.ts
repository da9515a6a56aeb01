import type { Action } from "../people";
import type { QuestionState } from "../questions";
import type { StagePlace } from "./state";

/** What somebody in a room may ask for. Each is journalled; ballots and votes are facts of their own. */
export type RoomCommand =
  | { type: "stage.enter" }
  | { type: "stage.move"; ticketId: string; place: StagePlace }
  | { type: "microphone.set"; isOpen: boolean }
  | { type: "microphones.close"; exceptId: string | null }
  | { type: "doors.open" }
  | { type: "doors.hold" }
  | { type: "doors.release" }
  | { type: "curtain.raise" }
  | { type: "curtain.drop" }
  | { type: "curtain.strike"; index: number; isStruck: boolean }
  | { type: "cue.next"; leavingSegmentId: string | null }
  | { type: "cue.jump"; leavingSegmentId: string | null; segmentId: string }
  | { type: "cue.back"; leavingSegmentId: string | null }
  | { type: "question.ask"; questionId: string; segmentId: string | null }
  | {
      type: "question.move";
      questionId: string;
      state: Exclude<QuestionState, "new" | "done">;
      segmentId: string | null;
    }
  | { type: "question.take"; questionId: string; isMine: boolean }
  | { type: "question.answer"; questionId: string; how: "aloud" | "to-one" | "to-all" }
  | { type: "poll.add"; pollId: string }
  | { type: "poll.open"; pollId: string }
  | { type: "poll.close"; pollId: string }
  | { type: "poll.reveal"; pollId: string }
  | { type: "poll.hold-back"; pollId: string }
  | { type: "date.end" };

export type RoomCommandType = RoomCommand["type"];

/** The permission that each command asks for. */
export const actionOf: Readonly<Record<RoomCommandType, Action>> = {
  "stage.enter": "backstage.enter",
  "stage.move": "people.move",
  "microphone.set": "microphone.own",
  "microphones.close": "microphone.close-others",
  "doors.open": "doors.open",
  "doors.hold": "doors.hold",
  "doors.release": "doors.hold",
  "curtain.raise": "curtain.move",
  "curtain.drop": "curtain.move",
  "curtain.strike": "curtain.strike",
  "cue.next": "cue.give",
  "cue.jump": "cue.give",
  "cue.back": "cue.give",
  "question.ask": "question.ask",
  "question.move": "question.handle",
  "question.take": "question.handle",
  "question.answer": "question.answer-later",
  "poll.add": "poll.handle",
  "poll.open": "poll.handle",
  "poll.close": "poll.handle",
  "poll.reveal": "poll.handle",
  "poll.hold-back": "poll.handle",
  "date.end": "date.end",
};
