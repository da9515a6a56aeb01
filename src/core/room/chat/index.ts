import { audience, isStageRole, live, onStage, running, team, type Actor } from "../../people";
import { Book, fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { mostSideRooms } from "../side-rooms/state";
import { isInHouse, isOfTheStage, type Standing } from "../standing";

/** Whom a line is for. `note`: between the desk and one person alone; `side`: the writer's side room. */
export const chatTargets = ["all", "stage", "desk", "talkback", "note", "side"] as const;
export type ChatTarget = (typeof chatTargets)[number];

/** The feed that a line stands in: what the house never gets has feeds of its own. */
export type ChatTopic =
  | "chat:house"
  | "chat:stage"
  | "chat:desk"
  | "chat:talkback"
  | "chat:notes"
  | "chat:held"
  | `chat:side-${number}`
  | `chat:side-${number}-asks`;

/** Each side room has two feeds of its own: its words, and its questions. */
export const sideTopicOf = (room: number): ChatTopic => `chat:side-${room}`;
export const sideAsksTopicOf = (room: number): ChatTopic => `chat:side-${room}-asks`;
const sideFeedsOf = (room: number): readonly ChatTopic[] => [sideTopicOf(room), sideAsksTopicOf(room)];
const roomNumbers = Array.from({ length: mostSideRooms }, (_, i) => i + 1);
export const sideTopics: readonly ChatTopic[] = roomNumbers.flatMap(sideFeedsOf);
const sideFeeds = Object.fromEntries(
  roomNumbers.flatMap((room) => {
    const isFor = (standing: Standing) => standing.sideRoom === room && (isInHouse(standing) || isOfTheStage(standing));
    return sideFeedsOf(room).map((topic) => [topic, { isFor, window: 60 }] as const);
  }),
);

export interface ChatState {
  /** whose lines wait until somebody has looked at them; they are not told */
  readonly heldPeople: Book<true>;
  /** how often the house's chat was cleared: screens that show older lines let go of them */
  readonly clears: number;
  /** whether something stands there for everybody who comes in */
  readonly hasEntryNote: boolean;
}

type About = { lineId: string };
export type ChatCommand =
  | ({ type: "chat.let-through" } & About)
  | ({ type: "chat.take-away" } & About)
  | ({ type: "chat.make-question" } & About)
  /** `seen`: how many clears the desk knows of, so that two who clear at once clear once */
  | { type: "chat.clear"; seen: number }
  | { type: "chat.hold-person"; ticketId: string; isHeld: boolean }
  | { type: "chat.set-entry-note"; isSet: boolean };
export type ChatEntry =
  | ({ type: "chat.line-let-through" } & About)
  | ({ type: "chat.line-taken-away" } & About)
  | ({ type: "chat.line-asked"; questionId: string; authorId: string } & About)
  | { type: "chat.cleared" }
  | { type: "chat.person-held"; ticketId: string; isHeld: boolean }
  | { type: "chat.entry-note-set"; isSet: boolean };

export interface ChatShape {
  state: ChatState;
  command: ChatCommand;
  fact:
    | { type: "chat.say"; to: ChatTarget; text: string; isAsked?: boolean | undefined }
    /** a question of one's side room is answered, or open again */
    | { type: "chat.settle"; lineId: string; isAnswered: boolean };
  whisper: never;
  entry: ChatEntry;
}

/** What the server looked up of the line that a command is about. */
export interface LineFacts {
  readonly id: string;
  readonly authorId: string;
  readonly state: "shown" | "held" | "removed";
  readonly target: ChatTarget;
  readonly isQuestion: boolean;
}

const done = (action: string) => fail({ code: "already-done", action } as const);
const lineOf = (about: unknown): LineFacts | null => about as LineFacts | null;
const noLine = () => fail({ code: "not-found", what: "chat line" } as const);

const handle = { roles: team, duty: "chat", phases: live } as const;

/** Words between people of the room (rule 18). */
export const chat = {
  rights: {
    // to whom attendees may write is the switch's; `mayWrite` looks at it, since stage people are free of it
    "chat.say": { roles: [...onStage, ...audience], phases: running },
    // whoever is in the side room, as `settle` looks at it
    "chat.settle": { roles: [...onStage, ...audience], phases: running },
    "chat.let-through": handle,
    "chat.take-away": handle,
    // the desk for anybody's line, an author for their own
    "chat.make-question": { roles: [...team, ...audience], phases: ["open"], needs: { switch: "questions" } },
    "chat.clear": handle,
    "chat.hold-person": handle,
    "chat.set-entry-note": { ...handle, phases: running },
  },
  paces: { "chat.say": { burst: 5, everyMs: 2000 }, "chat.settle": { burst: 10, everyMs: 1000 } },
  empty: { heldPeople: Book.empty(), clears: 0, hasEntryNote: false } as ChatState,
  decide: {
    "chat.let-through": (_, { lineId }, { scene }) => {
      const line = lineOf(scene.about);
      if (!line) return noLine();
      return line.state === "held" ? ok([{ type: "chat.line-let-through", lineId }]) : done("chat.let-through");
    },
    "chat.take-away": (_, { lineId }, { scene }) => {
      const line = lineOf(scene.about);
      if (!line) return noLine();
      return line.state === "removed" ? done("chat.take-away") : ok([{ type: "chat.line-taken-away", lineId }]);
    },
    "chat.make-question": (_, { lineId }, { scene }, { ticketId }) => {
      const line = lineOf(scene.about);
      if (!line || line.state === "removed" || line.target === "talkback" || line.target === "note") return noLine();
      if (!isStageRole(scene.actor.role) && line.authorId !== ticketId) {
        return fail({ code: "not-allowed", action: "chat.make-question" });
      }
      if (line.isQuestion) return done("chat.make-question");
      // the line's own id names the question: it is the same words, asked by the same person
      return ok([{ type: "chat.line-asked", lineId, questionId: lineId, authorId: line.authorId }]);
    },
    "chat.clear": (own, { seen }) => (seen === own.clears ? ok([{ type: "chat.cleared" }]) : done("chat.clear")),
    "chat.hold-person": (own, { ticketId, isHeld }) =>
      own.heldPeople.has(ticketId) === isHeld
        ? done("chat.hold-person")
        : ok([{ type: "chat.person-held", ticketId, isHeld }]),
    "chat.set-entry-note": (_, { isSet }) => ok([{ type: "chat.entry-note-set", isSet }]),
  },
  fold: {
    "chat.line-let-through": (own) => own,
    "chat.line-taken-away": (own) => own,
    "chat.line-asked": (own) => own,
    "chat.cleared": (own) => ({ ...own, clears: own.clears + 1 }),
    "chat.person-held": (own, { ticketId, isHeld }) => ({
      ...own,
      heldPeople: isHeld ? own.heldPeople.with(ticketId, true) : own.heldPeople.without(ticketId),
    }),
    "chat.entry-note-set": (own, { isSet }) => ({ ...own, hasEntryNote: isSet }),
  },
  views: {
    "chat:desk-state": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["notes"],
      make: ({ own, words }) => ({
        chat: { it: { clears: own.clears, entryNote: words.notes.get("chat.entry") ?? null } },
        heldPeople: Object.fromEntries([...own.heldPeople].map(([id]) => [id, { isHeld: true }])),
      }),
    },
    "chat:room-state": {
      isFor: (standing) => !standing.isAtDesk && standing.place !== "foyer",
      reads: ["notes"],
      make: ({ own, words }) => ({
        chat: { it: { clears: own.clears, entryNote: words.notes.get("chat.entry") ?? null } },
      }),
    },
  },
  logs: {
    "chat:house": { isFor: (standing) => isInHouse(standing) || isOfTheStage(standing), window: 60 },
    "chat:stage": { isFor: isOfTheStage, window: 60 },
    "chat:talkback": { isFor: isOfTheStage, window: 60 },
    "chat:desk": { isFor: (standing) => standing.isAtDesk, window: 60 },
    "chat:notes": { isFor: (standing) => standing.isAtDesk, window: 60 },
    "chat:held": { isFor: (standing) => standing.isAtDesk, window: 200 },
    ...sideFeeds,
  },
} as const satisfies Capability<ChatShape>;

/** Whom somebody may write to beside their own side room: stage people everybody, the audience as far as the switch reaches. */
export function mayWriteTo(
  actor: Actor,
  target: Exclude<ChatTarget, "side">,
  reach: "nobody" | "desk" | "stage" | "all",
): boolean {
  if (isStageRole(actor.role)) return target !== "note" || actor.role === "producer" || actor.role === "crew";
  const reaches = { nobody: [], desk: ["desk"], stage: ["desk", "stage"], all: ["desk", "stage", "all"] } as const;
  return (reaches[reach] as readonly ChatTarget[]).includes(target);
}

/** The feed of a line; that of a side room is named by its number. */
export const topicOf = (target: Exclude<ChatTarget, "side">, isHeld: boolean): ChatTopic =>
  isHeld
    ? "chat:held"
    : (
        {
          all: "chat:house",
          stage: "chat:stage",
          desk: "chat:desk",
          talkback: "chat:talkback",
          note: "chat:notes",
        } as const
      )[target];
