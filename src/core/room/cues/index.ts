import { live, team } from "../../people";
import { fail, ok, type Result } from "../../shared";
import type { Capability, Now, Sight } from "../capability";
import { isCurtainUp } from "../hour/state";
import type { CardKind } from "./cards";
import { isInHouse, isOfTheStage } from "../standing";
import type { CardItem, SegmentItem, Section } from "../views";

export { cardKinds, type CardKind } from "./cards";

/** A cue that was given: from `at` on this segment was on. */
export interface CueMark {
  readonly segmentId: string;
  readonly at: number;
}
export interface CuesState {
  readonly given: readonly CueMark[];
  /** the card that is up, and since when */
  readonly card: { readonly kind: CardKind; readonly at: number } | null;
  /** left out of this hour */
  readonly skipped?: readonly string[];
}
export type CuesCommand =
  | { type: "cues.next"; leavingSegmentId: string | null }
  | { type: "cues.jump"; leavingSegmentId: string | null; segmentId: string }
  | { type: "cues.back"; leavingSegmentId: string | null }
  | { type: "cues.show-card"; card: CardKind }
  | { type: "cues.take-card-down" }
  /** lengths of segments still to come, in minutes; the words of the sheet stand beside the journal */
  | { type: "cues.set-lengths"; segmentIds: readonly string[] }
  | { type: "cues.skip"; segmentId: string; isSkipped: boolean };
export type CuesEntry =
  | { type: "cues.given"; segmentId: string }
  /** `nowSegmentId`: the one that is on again */
  | { type: "cues.taken-back"; nowSegmentId?: string | null }
  /** somebody edited lengths: their segments are read again */
  | { type: "cues.sheet-changed" }
  | { type: "cues.skipped"; segmentId: string; isSkipped: boolean }
  | { type: "cues.card-shown"; card: CardKind }
  | { type: "cues.card-taken-down" };

export interface CuesShape {
  state: CuesState;
  command: CuesCommand;
  fact: never;
  whisper: never;
  entry: CuesEntry;
}

export const currentCue = (own: CuesState): CueMark | null => own.given.at(-1) ?? null;
const done = (action: string) => fail({ code: "already-done", action } as const);

type Cue = Extract<CuesCommand, { type: "cues.next" | "cues.jump" | "cues.back" }>;

/**
 * A cue names the segment it leaves: of two people pressing at once the second skips nothing. Where the
 * running segment is no longer on the sheet nobody can tell what comes next: a jump names it.
 */
function give(own: CuesState, command: Cue, { scene }: Now): Result<CuesEntry[]> {
  const current = currentCue(own)?.segmentId ?? null;
  if (command.leavingSegmentId !== current) return fail({ code: "cue-moved", currentSegmentId: current });
  if (command.type === "cues.back")
    return current === null
      ? done("cues.back")
      : ok([{ type: "cues.taken-back", nowSegmentId: own.given.at(-2)?.segmentId ?? null }]);
  if (command.type === "cues.jump") {
    if (!scene.segmentIds.includes(command.segmentId)) return fail({ code: "not-found", what: "segment" });
    return command.segmentId === current
      ? done("cues.jump")
      : ok([{ type: "cues.given", segmentId: command.segmentId }]);
  }
  const index = current === null ? -1 : scene.segmentIds.indexOf(current);
  if (current !== null && index < 0) return fail({ code: "segment-gone" });
  const segmentId = scene.segmentIds.slice(index + 1).find((id) => !own.skipped?.includes(id));
  return segmentId === undefined
    ? fail({ code: "not-found", what: "segment" })
    : ok([{ type: "cues.given", segmentId }]);
}

const cueItem = (own: CuesState) => {
  const cue = currentCue(own);
  return { it: { currentSegmentId: cue?.segmentId ?? null, cuedAt: cue?.at ?? null } };
};
const cardItem = ({ card }: CuesState): Section<CardItem> => (card ? { it: card } : {});
const segmentItems = ({ own, words }: Sight<CuesState>): Section<SegmentItem> =>
  Object.fromEntries(
    words.segments.map(({ id, ...segment }, position) => [
      id,
      { ...segment, position, isSkipped: own.skipped?.includes(id) ?? false },
    ]),
  );

const right = { roles: team, duty: "cues", phases: live } as const;

/** Which segment is on (rule 10). */
export const cues = {
  rights: {
    "cues.next": right,
    "cues.jump": right,
    "cues.back": right,
    "cues.show-card": right,
    "cues.take-card-down": right,
    "cues.set-lengths": right,
    "cues.skip": right,
  },
  empty: { given: [], card: null } as CuesState,
  decide: {
    "cues.next": give,
    "cues.jump": give,
    "cues.back": give,
    "cues.show-card": (own, { card }) =>
      own.card?.kind === card ? done("cues.show-card") : ok([{ type: "cues.card-shown", card }]),
    "cues.take-card-down": (own) => (own.card ? ok([{ type: "cues.card-taken-down" }]) : done("cues.take-card-down")),
    "cues.set-lengths": (_, { segmentIds }, { scene }) =>
      segmentIds.every((id) => scene.segmentIds.includes(id))
        ? ok([{ type: "cues.sheet-changed" }])
        : fail({ code: "not-found", what: "segment" }),
    "cues.skip": (own, { segmentId, isSkipped }, { scene }) => {
      if (!scene.segmentIds.includes(segmentId)) return fail({ code: "not-found", what: "segment" });
      // what is on cannot be left out any more
      if (currentCue(own)?.segmentId === segmentId) return fail({ code: "cue-moved", currentSegmentId: segmentId });
      return (own.skipped?.includes(segmentId) ?? false) === isSkipped
        ? done("cues.skip")
        : ok([{ type: "cues.skipped", segmentId, isSkipped }]);
    },
  },
  fold: {
    // a card is about the segment that is on: the next one begins without
    "cues.given": (own, { segmentId }, { at }) => ({
      ...own,
      given: [...own.given, { segmentId, at }],
      card: null,
      // whoever jumps to it has it in again
      ...(own.skipped ? { skipped: own.skipped.filter((id) => id !== segmentId) } : {}),
    }),
    "cues.taken-back": (own) => ({ ...own, given: own.given.slice(0, -1), card: null }),
    "cues.card-shown": (own, { card }, { at }) => ({ ...own, card: { kind: card, at } }),
    "cues.card-taken-down": (own) => ({ ...own, card: null }),
    "cues.sheet-changed": (own) => own,
    "cues.skipped": (own, { segmentId, isSkipped }) => ({
      ...own,
      skipped: [...(own.skipped ?? []).filter((id) => id !== segmentId), ...(isSkipped ? [segmentId] : [])],
    }),
  },
  views: {
    "cues:team": {
      isFor: isOfTheStage,
      reads: ["segments"],
      make: (sight) => ({ segments: segmentItems(sight), cue: cueItem(sight.own), card: cardItem(sight.own) }),
    },
    "cues:house": {
      isFor: isInHouse,
      reads: ["segments"],
      make: ({ own, hour, words }) => {
        const current = currentCue(own)?.segmentId;
        const title = words.segments.find((segment) => segment.id === current)?.title ?? null;
        return { cue: { it: { segmentTitle: isCurtainUp(hour) ? title : null } } };
      },
    },
  },
} as const satisfies Capability<CuesShape>;
