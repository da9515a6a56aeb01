import type { Phase } from "../people";
import type { QuestionState } from "../questions";
import type { EntryBody, JournalEntry } from "./entries";
import type { RoomState } from "./state";

/** What a service carries out in the same transaction as the journal row. Data, not deeds. */
export type Effect =
  | { effect: "set-phase"; phase: Phase; at: number }
  | { effect: "mark-doors"; at: number }
  | { effect: "mark-show-start"; at: number }
  | { effect: "set-question"; questionId: string; state: QuestionState; segmentId: string | null }
  | { effect: "clear-stage-question"; exceptId: string }
  | { effect: "set-answered"; questionId: string; how: "aloud" | "to-one" | "to-all"; byId: string; at: number }
  | { effect: "mail-answer"; questionId: string }
  | { effect: "set-poll"; pollId: string; state: "open" | "closed"; at: number }
  | { effect: "set-poll-revealed"; pollId: string; isRevealed: boolean }
  | { effect: "close-open-polls"; at: number }
  | { effect: "admit-foyer" }
  | { effect: "audit"; action: string };

/** An answer in writing reaches its asker by mail when the hour is over or the answer was promised for later. */
function answered(
  body: Extract<EntryBody, { type: "question.answered" }>,
  at: number,
  byId: string,
  before: RoomState,
): readonly Effect[] {
  const { questionId, how } = body;
  const set: Effect = { effect: "set-answered", questionId, how, byId, at };
  const isByMail = how !== "aloud" && (before.phase === "ended" || before.questions[questionId]?.state === "later");
  return isByMail ? [set, { effect: "mail-answer", questionId }] : [set];
}

/** The effects of a row. Tables that queries read are kept in step with the journal through these alone. */
export function effectsOf({ body, at, actorId }: JournalEntry, before: RoomState): readonly Effect[] {
  switch (body.type) {
    case "backstage.opened":
      return [{ effect: "set-phase", phase: "backstage", at }];
    case "doors.opened":
      return [
        { effect: "set-phase", phase: "open", at },
        { effect: "mark-doors", at },
        { effect: "admit-foyer" },
        { effect: "audit", action: "doors.open" },
      ];
    case "doors.released":
      return [{ effect: "admit-foyer" }, { effect: "audit", action: body.type }];
    case "doors.held":
      return [{ effect: "audit", action: body.type }];
    case "curtain.raised":
      return [
        { effect: "mark-show-start", at },
        { effect: "audit", action: body.type },
      ];
    case "curtain.dropped":
    case "curtain.struck":
      return [{ effect: "audit", action: body.type }];
    case "question.moved": {
      const set: Effect = {
        effect: "set-question",
        questionId: body.questionId,
        state: body.state,
        segmentId: body.segmentId,
      };
      return body.state === "on-stage" ? [{ effect: "clear-stage-question", exceptId: body.questionId }, set] : [set];
    }
    case "question.answered":
      return answered(body, at, actorId, before);
    case "poll.opened":
      return [{ effect: "set-poll", pollId: body.pollId, state: "open", at }];
    case "poll.closed":
      return [{ effect: "set-poll", pollId: body.pollId, state: "closed", at }];
    case "poll.revealed":
    case "poll.held-back":
      return [{ effect: "set-poll-revealed", pollId: body.pollId, isRevealed: body.type === "poll.revealed" }];
    case "show.imported":
      return [{ effect: "set-phase", phase: "ended", at: body.droppedAt }];
    case "date.ended":
      return [
        { effect: "set-phase", phase: "ended", at: body.curtainFellAt ?? at },
        { effect: "close-open-polls", at },
        { effect: "audit", action: body.type },
      ];
    case "date.cancelled":
      return [
        { effect: "set-phase", phase: "cancelled", at },
        { effect: "audit", action: body.type },
      ];
    case "date.restored":
      return [
        { effect: "set-phase", phase: "scheduled", at },
        { effect: "audit", action: body.type },
      ];
    case "date.not-held":
      return [{ effect: "set-phase", phase: "not-held", at }];
    default:
      return [];
  }
}
