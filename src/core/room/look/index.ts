import { live, team } from "../../people";
import { fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { counted, isOvertaken, overtaken, type Counted } from "../overtaken";

/** How the room is dressed: a colour of six hex digits, paper plain or tinted with it, the event's picture or none. */
export interface Dressing {
  readonly colour: string;
  readonly isTinted: boolean;
  readonly showsPicture: boolean;
}

/** What a screen of the room wears now, the plan's own look where the desk changed nothing. */
export interface LookItem extends Dressing {
  readonly pictureId: string | null;
}
/** For the desk: how often it was changed, and whether a change can be taken back. */
export interface LookChangesItem {
  readonly changes: number;
  readonly mayUndo: boolean;
}

export interface LookState extends Counted {
  /** null: as the plan has it */
  readonly now: Dressing | null;
  readonly past: readonly (Dressing | null)[];
}
const plain: LookState = { now: null, past: [], changes: 0 };
const mostPast = 20;

export type LookCommand =
  { type: "look.wear"; dressing: Dressing | null; seen: number } | { type: "look.undo"; seen: number };
export type LookEntry = { type: "look.worn"; dressing: Dressing | null } | { type: "look.undone" };

export interface LookShape {
  state: LookState;
  command: LookCommand;
  fact: never;
  whisper: never;
  entry: LookEntry;
}

const byDesk = { roles: team, duty: "cues", phases: live } as const;
const done = (action: string) => fail({ code: "already-done", action } as const);
const isSame = (a: Dressing | null, b: Dressing | null): boolean => JSON.stringify(a) === JSON.stringify(b);

/** The room's colours, changed in the middle of the hour and taken back. */
export const look = {
  rights: { "look.wear": byDesk, "look.undo": byDesk },
  empty: plain,
  decide: {
    "look.wear": (own, { dressing, seen }, _, by) => {
      if (isSame(dressing, own.now)) return done("look.wear");
      return isOvertaken(own, seen, by) ? overtaken() : ok([{ type: "look.worn", dressing }]);
    },
    "look.undo": (own, { seen }, _, by) => {
      if (own.past.length === 0) return done("look.undo");
      return isOvertaken(own, seen, by) ? overtaken() : ok([{ type: "look.undone" }]);
    },
  },
  fold: {
    "look.worn": (own, { dressing }, by) => ({
      ...counted(own, by),
      now: dressing,
      past: [...own.past, own.now].slice(-mostPast),
    }),
    "look.undone": (own, _, by) => ({
      ...counted(own, by),
      now: own.past.at(-1) ?? null,
      past: own.past.slice(0, -1),
    }),
  },
  views: {
    // the foyer wears it too: nobody waits in other colours than those of the room
    "look:room": {
      isFor: () => true,
      reads: ["event"],
      make: ({ own, words }) => {
        const { colour, pictureId } = words.event.look;
        const { showsPicture = true, ...now } = own.now ?? { colour, isTinted: false };
        const it: LookItem = { ...now, showsPicture, pictureId: showsPicture ? pictureId : null };
        return { look: { it } };
      },
    },
    "look:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: [],
      make: ({ own }) => ({ lookChanges: { it: { changes: own.changes, mayUndo: own.past.length > 0 } } }),
    },
  },
} as const satisfies Capability<LookShape>;
