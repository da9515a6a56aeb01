import { inOrder } from "../questions";
import { takenForMs } from "./tray";
import type { DeskView, TakenItem } from "./views";

/** What goes wrong, for the first class of the in-tray (rule 28). */
export type Trouble =
  | { readonly trouble: "leader-away"; readonly name: string }
  | { readonly trouble: "leader-line-lost"; readonly name: string }
  | { readonly trouble: "stage-empty" }
  | { readonly trouble: "silence"; readonly name: string }
  | { readonly trouble: "licence-ends"; readonly inMinutes: number };

/** One line of the desk's in-tray: what wants an answer. `id` names it for whoever takes it. */
export type TrayItem =
  | ({ readonly kind: "trouble"; readonly id: string } & Trouble)
  | { readonly kind: "door"; readonly id: string; readonly ticketId: string; readonly name: string }
  | { readonly kind: "waiting"; readonly id: string; readonly count: number }
  | {
      readonly kind: "hand";
      readonly id: string;
      readonly ticketId: string;
      readonly name: string;
      readonly raisedAt: number;
    }
  /** a side room asks for help */
  | {
      readonly kind: "help";
      readonly id: string;
      readonly room: number;
      readonly roomName: string;
      readonly name: string;
      readonly at: number;
    }
  /** somebody would show one of the team what they see */
  | {
      readonly kind: "sight";
      readonly id: string;
      readonly ticketId: string;
      readonly name: string;
      readonly at: number;
    }
  | { readonly kind: "question"; readonly id: string; readonly questionId: string; readonly votes: number }
  | {
      readonly kind: "signal";
      readonly id: string;
      readonly signal: string;
      readonly count: number;
      readonly house: number;
    }
  | { readonly kind: "over-time"; readonly id: string; readonly overMinutes: number }
  | { readonly kind: "poll-open"; readonly id: string; readonly pollId: string; readonly forMinutes: number };

/** What the clock and the microphones say beside the view. */
export interface TrayMoment {
  readonly now: number;
  /** how late the hour will end; null while nothing is on */
  readonly overMinutes: number | null;
  /** for how long nobody has been heard while somebody leads before an open curtain */
  readonly silentMs: number;
}

/** it holds so many at most; the rest is a count */
export const mostInTray = 200;
const silentForMs = 20_000;
const licenceWarnedMs = 5 * 60_000;
/** a poll that is open for longer is told of: it may have been forgotten. Common practice. */
const longOpenMs = 5 * 60_000;
const leastOverMinutes = 5;

function troubles(view: DeskView, moment: TrayMoment): Trouble[] {
  const status = view.status["it"]!;
  const event = view.event["it"]!;
  if (status.phase !== "open") return [];
  const currentId = view.cue["it"]?.currentSegmentId;
  const leader = view.stage[(currentId && view.segments[currentId]?.leaderId) || ""];
  const found: Trouble[] = [];
  // whoever never came is away; whoever was on stage and is gone lost their line
  if (leader && !leader.isPresent)
    found.push({ trouble: leader.place === "stage" ? "leader-line-lost" : "leader-away", name: leader.name });
  const isSomebodyOn = Object.values(view.stage).some((person) => person.place === "stage" && person.isPresent);
  // a recording needs nobody on stage
  if (status.isCurtainUp && !status.screening && !isSomebodyOn) found.push({ trouble: "stage-empty" });
  if (status.isCurtainUp && leader?.isPresent && moment.silentMs >= silentForMs)
    found.push({ trouble: "silence", name: leader.name });
  const leftMs = event.endAt - moment.now;
  if (event.hasPlannedEnd && leftMs <= licenceWarnedMs)
    found.push({ trouble: "licence-ends", inMinutes: Math.max(0, Math.ceil(leftMs / 60_000)) });
  return found;
}

function atTheDoor(view: DeskView): TrayItem[] {
  const status = view.status["it"]!;
  if (status.phase !== "open") return [];
  const foyer = view.figures["foyer"]?.count ?? 0;
  if (!view.switches["it"]!.door.on) return foyer > 0 ? [{ kind: "waiting", id: "foyer", count: foyer }] : [];
  return Object.entries(view.audience)
    .filter(([, person]) => person.place === "foyer")
    .map(([ticketId, { name }]) => ({ kind: "door", id: `door:${ticketId}`, ticketId, name }));
}

function handsUp(view: DeskView): TrayItem[] {
  return Object.entries(view.hands)
    .sort(([, a], [, b]) => a.raisedAt - b.raisedAt)
    .map(([ticketId, { name, raisedAt }]) => ({ kind: "hand", id: `hand:${ticketId}`, ticketId, name, raisedAt }));
}

function helpAsked(view: DeskView): TrayItem[] {
  return Object.entries(view.sideRooms)
    .flatMap(([room, { name: roomName, help }]) =>
      help
        ? [
            {
              kind: "help" as const,
              id: `side-help:${help.byId}`,
              room: Number(room),
              roomName,
              name: help.name,
              at: help.at,
            },
          ]
        : [],
    )
    .sort((a, b) => a.at - b.at);
}

const sightsShown = (view: DeskView): TrayItem[] =>
  Object.entries(view.helped)
    .filter(([, { helperId }]) => helperId === null)
    .sort(([, a], [, b]) => a.askedAt - b.askedAt)
    .map(([ticketId, { name, askedAt }]) => ({ kind: "sight", id: `sight:${ticketId}`, ticketId, name, at: askedAt }));

function newQuestions(view: DeskView): TrayItem[] {
  const open = Object.entries(view.questions)
    .filter(([, question]) => question.state === "new" && question.mergedIntoId === null)
    .map(([id, question]) => ({ ...question, id, votes: view.votes[id]?.count ?? 0 }));
  const current = view.cue["it"]?.currentSegmentId ?? null;
  return inOrder(open, "segment", current).map(({ id, votes }) => ({
    kind: "question",
    id: `question:${id}`,
    questionId: id,
    votes,
  }));
}

function notes(view: DeskView, { now, overMinutes }: TrayMoment): TrayItem[] {
  const found: TrayItem[] = [];
  if (overMinutes !== null && overMinutes >= leastOverMinutes)
    found.push({ kind: "over-time", id: "over-time", overMinutes });
  for (const [pollId, { state, openedAt, closesAt }] of Object.entries(view.polls)) {
    const openMs = state === "open" && openedAt !== null && closesAt === null ? now - openedAt : 0;
    if (openMs >= longOpenMs)
      found.push({ kind: "poll-open", id: `poll:${pollId}`, pollId, forMinutes: Math.floor(openMs / 60_000) });
  }
  for (const [signal, { count, house }] of Object.entries(view.troubles))
    found.push({ kind: "signal", id: `signal-${signal}`, signal, count, house });
  return found;
}

/**
 * Everything that wants an answer, in the classes of rule 28: trouble, at the door, hands, new questions by rule 12,
 * notes. Held lines stand between hands and questions and have a list of their own. What has lost its reason is gone.
 */
export function inTray(view: DeskView, moment: TrayMoment): readonly TrayItem[] {
  if (!view.status["it"] || !view.event["it"]) return [];
  return [
    ...troubles(view, moment).map((one) => ({ kind: "trouble", id: one.trouble, ...one }) as const),
    ...atTheDoor(view),
    ...handsUp(view),
    ...helpAsked(view),
    ...sightsShown(view),
    ...newQuestions(view),
    ...notes(view, moment),
  ];
}

/** Who is at an item, where that still holds (60 s). */
export function takerOf(view: DeskView, itemId: string, now: number): TakenItem | null {
  const taken = view.taken[itemId];
  return taken && now - taken.at < takenForMs ? taken : null;
}
