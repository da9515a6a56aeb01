import { assertNever } from "../shared";
import type { EntryBody, JournalEntry } from "./entries";
import {
  arrivedBackstage,
  isCurtainUp,
  preparedPoll,
  type RoomPoll,
  type RoomQuestion,
  type RoomState,
  type StagePerson,
} from "./state";

const withPerson = (room: RoomState, id: string, change: Partial<StagePerson>): RoomState => ({
  ...room,
  people: { ...room.people, [id]: { ...(room.people[id] ?? arrivedBackstage), ...change } },
});

function withQuestion(room: RoomState, id: string, change: Partial<RoomQuestion>): RoomState {
  const question = room.questions[id];
  if (!question) return room;
  return { ...room, questions: { ...room.questions, [id]: { ...question, ...change } } };
}

const withPoll = (room: RoomState, id: string, change: Partial<RoomPoll>): RoomState => ({
  ...room,
  polls: { ...room.polls, [id]: { ...(room.polls[id] ?? preparedPoll), ...change } },
});

function dropCurtain(room: RoomState, at: number): RoomState {
  if (!isCurtainUp(room)) return room;
  const last = room.curtainSpans.at(-1)!;
  const fell = { ...last, droppedAt: Math.max(last.raisedAt, at) };
  return { ...room, curtainSpans: [...room.curtainSpans.slice(0, -1), fell] };
}

function strike(room: RoomState, index: number, isStruck: boolean): RoomState {
  return { ...room, curtainSpans: room.curtainSpans.map((span, i) => (i === index ? { ...span, isStruck } : span)) };
}

function closeMicrophones(room: RoomState, exceptId: string | null): RoomState {
  const people = Object.entries(room.people).map(
    ([id, one]) => [id, id === exceptId || !one.isMicrophoneOpen ? one : { ...one, isMicrophoneOpen: false }] as const,
  );
  return { ...room, people: Object.fromEntries(people) };
}

/** A question put on stage takes the place of the one that was there; an ended date keeps none there. */
function moveQuestion(room: RoomState, body: Extract<EntryBody, { type: "question.moved" }>): RoomState {
  let next = room;
  if (body.state === "on-stage") {
    for (const [id, one] of Object.entries(room.questions)) {
      if (one.state === "on-stage" && id !== body.questionId) {
        next = withQuestion(next, id, { state: "done", answered: one.answered ?? "aloud" });
      }
    }
  }
  return withQuestion(next, body.questionId, { state: body.state, segmentId: body.segmentId });
}

function endDate(room: RoomState, at: number, curtainFellAt: number | null): RoomState {
  const closed = dropCurtain(room, curtainFellAt ?? at);
  const polls = Object.entries(closed.polls).map(
    ([id, poll]) => [id, poll.state === "open" ? { ...poll, state: "closed" as const, closedAt: at } : poll] as const,
  );
  return { ...closed, phase: "ended", endedAt: curtainFellAt ?? at, polls: Object.fromEntries(polls) };
}

function foldBody(room: RoomState, at: number, actorId: string, body: EntryBody): RoomState {
  switch (body.type) {
    case "backstage.opened":
      return { ...room, phase: "backstage" };
    case "stage.entered":
      return withPerson(room, body.ticketId, {});
    case "stage.moved": {
      const leaves = body.place !== "stage" ? { isMicrophoneOpen: false } : {};
      return withPerson(room, body.ticketId, { place: body.place, ...leaves });
    }
    case "microphone.set":
      return withPerson(room, body.ticketId, { isMicrophoneOpen: body.isOpen });
    case "microphones.closed":
      return closeMicrophones(room, body.exceptId);
    case "doors.opened":
      return { ...room, phase: "open", doorsOpenedAt: at };
    case "doors.held":
    case "doors.released":
      return { ...room, areDoorsHeld: body.type === "doors.held" };
    case "curtain.raised":
      return { ...room, curtainSpans: [...room.curtainSpans, { raisedAt: at, droppedAt: null, isStruck: false }] };
    case "curtain.dropped":
      return dropCurtain(room, at);
    case "curtain.struck":
      return strike(room, body.index, body.isStruck);
    case "cue.given":
      return { ...room, cues: [...room.cues, { segmentId: body.segmentId, at }] };
    case "cue.taken-back":
      return { ...room, cues: room.cues.slice(0, -1) };
    case "question.asked": {
      const asked = { askedAt: at, state: "new", takenBy: null, answered: null } as const;
      const question: RoomQuestion = { ...asked, askerId: body.askerId, segmentId: body.segmentId };
      return { ...room, questions: { ...room.questions, [body.questionId]: question } };
    }
    case "question.moved":
      return moveQuestion(room, body);
    case "question.taken":
      return withQuestion(room, body.questionId, { takenBy: body.byId });
    case "question.answered":
      return withQuestion(room, body.questionId, { state: "done", answered: body.how, takenBy: actorId });
    case "poll.added":
      return withPoll(room, body.pollId, {});
    case "poll.opened":
      return withPoll(room, body.pollId, { state: "open", openedAt: at, closedAt: null });
    case "poll.closed":
      return withPoll(room, body.pollId, { state: "closed", closedAt: at });
    case "poll.revealed":
    case "poll.held-back":
      return withPoll(room, body.pollId, { isRevealed: body.type === "poll.revealed" });
    case "run-sheet.changed":
      return room;
    case "show.imported": {
      const span = { raisedAt: body.raisedAt, droppedAt: body.droppedAt, isStruck: false };
      return { ...room, phase: "ended", endedAt: body.droppedAt, curtainSpans: [...room.curtainSpans, span] };
    }
    case "date.ended":
      return endDate(room, at, body.curtainFellAt);
    case "date.cancelled":
      return { ...room, phase: "cancelled" };
    case "date.restored":
      return { ...room, phase: "scheduled" };
    case "date.not-held":
      return { ...room, phase: "not-held" };
    default:
      return assertNever(body);
  }
}

/** The room after one more journal row. The server and its tests fold with this alone. */
export const fold = (room: RoomState, entry: JournalEntry): RoomState => ({
  ...foldBody(room, entry.at, entry.actorId, entry.body),
  seq: entry.seq,
});

export const foldAll = (room: RoomState, entries: readonly JournalEntry[]): RoomState => entries.reduce(fold, room);
