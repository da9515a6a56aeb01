import { live, team } from "../../people";
import { fail, ok } from "../../shared";
import type { Capability, Sight } from "../capability";
import { counted, isOvertaken, overtaken } from "../overtaken";
import { isInHouse, isOfTheStage } from "../standing";
import type { HoldingItem, SceneItem } from "./items";
import {
  firstShares,
  leastShare,
  mostPast,
  mostShare,
  noScene,
  type Arrangement,
  type Holding,
  type SceneKind,
  type ScenesState,
  type SharedKind,
} from "./state";

export type ScenesCommand =
  /** `seen`: how many changes the desk knows of */
  | { type: "scenes.set"; kind: SceneKind | null; personIds: readonly string[]; seen: number }
  | { type: "scenes.undo"; seen: number }
  | { type: "scenes.resize"; kind: SharedKind; share: number }
  | { type: "scenes.put-speaker"; personId: string; seen: string | null }
  | ({ type: "scenes.set-holding" } & Holding)
  /** caused by a cue: what the run sheet ties to the segment */
  | { type: "scenes.follow"; segmentId: string }
  /** caused by something that opens or goes: a scene that does not show it goes back to finding itself */
  | { type: "scenes.release"; opens: "document" | "board" | "screen" | null };

export type ScenesEntry =
  | { type: "scenes.changed"; kind: SceneKind | null; personIds: readonly string[] }
  | { type: "scenes.undone" }
  | { type: "scenes.resized"; kind: SharedKind; share: number }
  | { type: "scenes.speaker-put"; personId: string }
  | ({ type: "scenes.holding-set" } & Holding);

export interface ScenesShape {
  state: ScenesState;
  command: ScenesCommand;
  fact: never;
  whisper: never;
  entry: ScenesEntry;
}

const ofDesk = { roles: team, duty: "cues", phases: live } as const;
const done = (action: string) => fail({ code: "already-done", action } as const);
const isSame = (a: Arrangement, b: Arrangement): boolean =>
  a.kind === b.kind && a.personIds.length === b.personIds.length && a.personIds.every((id, i) => b.personIds[i] === id);
const shows: Readonly<Record<"document" | "board" | "screen", readonly (SceneKind | null)[]>> = {
  document: [null, "document", "document-one", "holding"],
  board: [null, "board", "holding"],
  screen: [null, "screen", "screen-one", "holding"],
};

const sceneItem = ({ own }: Sight<ScenesState>): Readonly<Record<string, SceneItem>> => ({
  // a room kept before there was a scene has no size of its parts
  it: { ...own.now, shares: { ...firstShares, ...own.shares }, speakerId: own.speakerId },
});
const holdingItem = ({ own, words }: Sight<ScenesState>): Readonly<Record<string, HoldingItem>> => ({
  it: {
    ...own.holding,
    message: words.notes.get("scenes.message") ?? "",
    pictureId: own.holding.showsPicture ? (words.notes.get("scenes.picture") ?? null) : null,
  },
});

/** The arrangement of the picture for all (rule 23). */
export const scenes = {
  rights: {
    "scenes.set": ofDesk,
    "scenes.undo": ofDesk,
    "scenes.resize": ofDesk,
    "scenes.put-speaker": ofDesk,
    "scenes.set-holding": ofDesk,
    "scenes.follow": ofDesk,
    "scenes.release": ofDesk,
  },
  empty: noScene,
  decide: {
    // who is not on stage just then is passed over where the picture is drawn
    "scenes.set": (own, { kind, personIds, seen }, _, by) => {
      if (isSame(own.now, { kind, personIds })) return done("scenes.set");
      return isOvertaken(own, seen, by) ? overtaken() : ok([{ type: "scenes.changed", kind, personIds } as const]);
    },
    "scenes.undo": (own, { seen }, _, by) => {
      if (own.past.length === 0) return done("scenes.undo");
      return isOvertaken(own, seen, by) ? overtaken() : ok([{ type: "scenes.undone" } as const]);
    },
    "scenes.resize": (own, { kind, share }) => {
      const within = Math.min(mostShare, Math.max(leastShare, Math.round(share)));
      return own.shares[kind] === within
        ? done("scenes.resize")
        : ok([{ type: "scenes.resized", kind, share: within } as const]);
    },
    "scenes.put-speaker": (own, { personId, seen }) =>
      own.speakerId !== seen || own.speakerId === personId
        ? done("scenes.put-speaker")
        : ok([{ type: "scenes.speaker-put", personId } as const]),
    "scenes.set-holding": (_, { countsDown, sound, showsPicture }) =>
      ok([{ type: "scenes.holding-set", countsDown, sound, showsPicture } as const]),
    "scenes.follow": (own, { segmentId }, { scene }) => {
      const kind = scene.segmentScenes.get(segmentId);
      if (!kind || isSame(own.now, { kind, personIds: [] })) return ok([]);
      return ok([{ type: "scenes.changed", kind, personIds: [] } as const]);
    },
    "scenes.release": (own, { opens }) =>
      own.now.kind === null || (opens !== null && shows[opens].includes(own.now.kind))
        ? ok([])
        : ok([{ type: "scenes.changed", kind: null, personIds: [] } as const]),
  },
  fold: {
    "scenes.changed": (own, { kind, personIds }, by) => ({
      ...own,
      ...counted(own, by),
      now: { kind, personIds },
      past: [...own.past, own.now].slice(-mostPast),
    }),
    "scenes.undone": (own, _, by) => ({
      ...own,
      ...counted(own, by),
      now: own.past.at(-1) ?? own.now,
      past: own.past.slice(0, -1),
    }),
    "scenes.resized": (own, { kind, share }) => ({ ...own, shares: { ...own.shares, [kind]: share } }),
    "scenes.speaker-put": (own, { personId }) => ({ ...own, speakerId: personId }),
    "scenes.holding-set": (own, { countsDown, sound, showsPicture }) => ({
      ...own,
      holding: { countsDown, sound, showsPicture },
    }),
  },
  views: {
    "scenes:team": {
      isFor: isOfTheStage,
      reads: ["notes"],
      make: (sight) => ({
        scene: sceneItem(sight),
        holding: holdingItem(sight),
        sceneChanges: { it: { count: sight.own.changes, past: sight.own.past.length } },
      }),
    },
    "scenes:house": {
      isFor: isInHouse,
      reads: ["notes"],
      make: (sight) => ({ scene: sceneItem(sight), holding: holdingItem(sight) }),
    },
  },
} as const satisfies Capability<ScenesShape>;
