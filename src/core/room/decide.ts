import { mayComeBackstage, type DateTimes } from "../dates";
import { verdict, type Actor, type Circumstance } from "../people";
import { assertNever, fail, ok, type Result } from "../shared";
import { actionOf, type RoomCommand } from "./commands";
import type { EntryBody, JournalEntry } from "./entries";
import { effectsOf, type Effect } from "./effects";
import { fold } from "./fold";
import { currentCue, isCurtainUp, type RoomState } from "./state";

/** What a decision needs to know beside the room itself. */
export interface RoomFacts {
  readonly now: number;
  readonly actorId: string;
  readonly actor: Actor;
  readonly times: DateTimes;
  readonly questionsOn: boolean;
  readonly pollsOn: boolean;
  readonly earlyEntry: boolean;
  /** microphones of the stage are open from the first entry on */
  readonly stageMicrophonesOpen: boolean;
  /** the run sheet's segments in order */
  readonly segmentIds: readonly string[];
  /** polls that belong to this date */
  readonly pollIds: ReadonlySet<string>;
  readonly stageTicketIds: ReadonlySet<string>;
}

export interface Decision {
  readonly next: RoomState;
  readonly entries: readonly JournalEntry[];
  readonly effects: readonly Effect[];
}

const done = (action: string) => fail({ code: "already-done", action } as const);

export const circumstanceOf = (room: RoomState, facts: RoomFacts): Circumstance => ({
  phase: room.phase,
  questionsOn: facts.questionsOn,
  pollsOn: facts.pollsOn,
});

function checkRight(room: RoomState, command: RoomCommand, facts: RoomFacts): Result<void> {
  const action = actionOf[command.type];
  switch (verdict(facts.actor, action, circumstanceOf(room, facts))) {
    case "yes":
      return ok(undefined);
    case "wrong-role":
      return fail({ code: "not-allowed", action });
    case "wrong-phase":
      return fail({ code: "wrong-state", action, state: room.phase });
    case "switched-off":
      return fail({ code: "switched-off", what: action.startsWith("poll") ? "polls" : "questions" });
  }
}

function enterStage(room: RoomState, facts: RoomFacts): Result<EntryBody[]> {
  if (!mayComeBackstage(facts.actor, facts.now, facts.times, room.phase, facts.earlyEntry)) {
    return fail({ code: "wrong-state", action: "backstage.enter", state: "before the call time" });
  }
  const bodies: EntryBody[] = room.phase === "scheduled" ? [{ type: "backstage.opened" }] : [];
  if (!room.people[facts.actorId]) {
    bodies.push({ type: "stage.entered", ticketId: facts.actorId });
    if (facts.stageMicrophonesOpen) bodies.push({ type: "microphone.set", ticketId: facts.actorId, isOpen: true });
  }
  return bodies.length > 0 ? ok(bodies) : done("stage.enter");
}

/** A cue names the segment it leaves: of two people pressing at once the second skips nothing. */
function cue(
  room: RoomState,
  command: Extract<RoomCommand, { type: `cue.${string}` }>,
  facts: RoomFacts,
): Result<EntryBody[]> {
  const current = currentCue(room)?.segmentId ?? null;
  if (command.leavingSegmentId !== current) return fail({ code: "cue-moved", currentSegmentId: current });
  if (command.type === "cue.back") return current === null ? done("cue.back") : ok([{ type: "cue.taken-back" }]);
  const index = current === null ? -1 : facts.segmentIds.indexOf(current);
  const segmentId = command.type === "cue.jump" ? command.segmentId : facts.segmentIds[index + 1];
  if (segmentId === undefined || !facts.segmentIds.includes(segmentId))
    return fail({ code: "not-found", what: "segment" });
  if (segmentId === current) return done("cue");
  return ok([{ type: "cue.given", segmentId }]);
}

function poll(
  room: RoomState,
  command: Extract<RoomCommand, { type: `poll.${string}` }>,
  facts: RoomFacts,
): Result<EntryBody[]> {
  if (!facts.pollIds.has(command.pollId)) return fail({ code: "not-found", what: "poll" });
  const state = room.polls[command.pollId]?.state ?? "prepared";
  const isRevealed = room.polls[command.pollId]?.isRevealed ?? false;
  const { pollId } = command;
  switch (command.type) {
    case "poll.add":
      return ok([{ type: "poll.added", pollId }]);
    case "poll.open":
      if (room.phase !== "open") return fail({ code: "wrong-state", action: "poll.open", state: room.phase });
      return state === "open" ? done("poll.open") : ok([{ type: "poll.opened", pollId }]);
    case "poll.close":
      return state !== "open" ? done("poll.close") : ok([{ type: "poll.closed", pollId }]);
    case "poll.reveal":
      if (state === "prepared") return fail({ code: "wrong-state", action: "poll.reveal", state });
      return isRevealed ? done("poll.reveal") : ok([{ type: "poll.revealed", pollId }]);
    case "poll.hold-back":
      return isRevealed ? ok([{ type: "poll.held-back", pollId }]) : done("poll.hold-back");
    default:
      return assertNever(command);
  }
}

function question(
  room: RoomState,
  command: Extract<RoomCommand, { type: `question.${string}` }>,
  facts: RoomFacts,
): Result<EntryBody[]> {
  const { questionId } = command;
  if (command.type === "question.ask") {
    const segmentId = command.segmentId ?? currentCue(room)?.segmentId ?? null;
    if (room.questions[questionId]) return done("question.ask");
    return ok([{ type: "question.asked", questionId, askerId: facts.actorId, segmentId }]);
  }
  const current = room.questions[questionId];
  if (!current) return fail({ code: "not-found", what: "question" });
  if (command.type === "question.take") {
    const byId = command.isMine ? facts.actorId : null;
    return current.takenBy === byId ? done("question.take") : ok([{ type: "question.taken", questionId, byId }]);
  }
  if (command.type === "question.answer") return ok([{ type: "question.answered", questionId, how: command.how }]);
  const segmentId = command.segmentId ?? current.segmentId;
  if (current.state === command.state && current.segmentId === segmentId) return done("question.move");
  return ok([{ type: "question.moved", questionId, state: command.state, segmentId }]);
}

function doorsAndCurtain(
  room: RoomState,
  command: Extract<RoomCommand, { type: `doors.${string}` | `curtain.${string}` }>,
): Result<EntryBody[]> {
  switch (command.type) {
    case "doors.open":
      return ok([{ type: "doors.opened" }]);
    case "doors.hold":
      return room.areDoorsHeld ? done("doors.hold") : ok([{ type: "doors.held" }]);
    case "doors.release":
      return room.areDoorsHeld ? ok([{ type: "doors.released" }]) : done("doors.release");
    case "curtain.raise":
      return isCurtainUp(room) ? done("curtain.raise") : ok([{ type: "curtain.raised" }]);
    case "curtain.drop":
      return isCurtainUp(room) ? ok([{ type: "curtain.dropped" }]) : done("curtain.drop");
    case "curtain.strike": {
      const span = room.curtainSpans[command.index];
      if (!span) return fail({ code: "not-found", what: "curtain span" });
      if (span.isStruck === command.isStruck) return done("curtain.strike");
      return ok([{ type: "curtain.struck", index: command.index, isStruck: command.isStruck }]);
    }
    default:
      return assertNever(command);
  }
}

function bodiesFor(room: RoomState, command: RoomCommand, facts: RoomFacts): Result<EntryBody[]> {
  switch (command.type) {
    case "stage.enter":
      return enterStage(room, facts);
    case "stage.move": {
      const { ticketId, place } = command;
      if (!facts.stageTicketIds.has(ticketId)) return fail({ code: "not-found", what: "stage person" });
      return room.people[ticketId]?.place === place
        ? done("stage.move")
        : ok([{ type: "stage.moved", ticketId, place }]);
    }
    case "microphone.set":
      return (room.people[facts.actorId]?.isMicrophoneOpen ?? false) === command.isOpen
        ? done("microphone.set")
        : ok([{ type: "microphone.set", ticketId: facts.actorId, isOpen: command.isOpen }]);
    case "microphones.close":
      return ok([{ type: "microphones.closed", exceptId: command.exceptId }]);
    case "doors.open":
    case "doors.hold":
    case "doors.release":
    case "curtain.raise":
    case "curtain.drop":
    case "curtain.strike":
      return doorsAndCurtain(room, command);
    case "cue.next":
    case "cue.jump":
    case "cue.back":
      return cue(room, command, facts);
    case "question.ask":
    case "question.move":
    case "question.take":
    case "question.answer":
      return question(room, command, facts);
    case "poll.add":
    case "poll.open":
    case "poll.close":
    case "poll.reveal":
    case "poll.hold-back":
      return poll(room, command, facts);
    case "date.end":
      return ok([{ type: "date.ended", curtainFellAt: null }]);
    default:
      return assertNever(command);
  }
}

/** Puts bodies behind the room's last row: the next room, its rows and what is to be done after. */
export function append(room: RoomState, bodies: readonly EntryBody[], at: number, actorId: string): Decision {
  const entries = bodies.map((body, i): JournalEntry => ({ seq: room.seq + i + 1, at, actorId, body }));
  const effects: Effect[] = [];
  let next = room;
  for (const entry of entries) {
    effects.push(...effectsOf(entry, next));
    next = fold(next, entry);
  }
  return { next, entries, effects };
}

/** One command, decided: refused with the reason, or the rows and effects that it makes. */
export function decide(room: RoomState, command: RoomCommand, facts: RoomFacts): Result<Decision> {
  const right = checkRight(room, command, facts);
  if (!right.ok) return right;
  const bodies = bodiesFor(room, command, facts);
  return bodies.ok ? ok(append(room, bodies.value, facts.now, facts.actorId)) : bodies;
}
