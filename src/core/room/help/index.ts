import { anyone, live, team } from "../../people";
import { fail, ok } from "../../shared";
import type { Capability, Sight } from "../capability";
import type { Section } from "../views";
import type { HelpItem, OwnHelp } from "./items";
import type { HelpSight, SettingChange } from "./sight";

/** Somebody who shows one of the team what they see; `helperId`: who looks, null while nobody does yet. */
export interface Helped {
  readonly ticketId: string;
  readonly askedAt: number;
  readonly helperId: string | null;
}
export interface HelpState {
  readonly helped: readonly Helped[];
}
/** so many wait at once at most: more is a fault of the room, and shows there */
const mostHelped = 40;

export type HelpCommand =
  | { type: "help.ask" }
  /** one's own, at once */
  | { type: "help.end" }
  | { type: "help.take"; ticketId: string }
  | { type: "help.close"; ticketId: string };
export type HelpEntry =
  | { type: "help.asked" }
  | { type: "help.taken"; ticketId: string }
  | { type: "help.ended"; ticketId: string; why: "owner" | "helper" };
/** Said to one person alone, kept nowhere. */
export type HelpWhisper =
  | { type: "help.sight"; to: string; sight: HelpSight }
  | { type: "help.offer"; to: string; offerId: string; change: SettingChange }
  | { type: "help.answer"; to: string; offerId: string; isLet: boolean };

export interface HelpShape {
  state: HelpState;
  command: HelpCommand;
  fact: never;
  whisper: HelpWhisper;
  entry: HelpEntry;
}

const of = (own: HelpState, ticketId: string): Helped | undefined =>
  own.helped.find((one) => one.ticketId === ticketId);
const without = (own: HelpState, ticketId: string): readonly Helped[] =>
  own.helped.filter((one) => one.ticketId !== ticketId);
const done = (action: string) => fail({ code: "already-done", action } as const);
const byTeam = { roles: team, phases: live } as const;
const byAnyone = { roles: anyone, phases: live } as const;

const items = ({ own, words }: Sight<HelpState>): Section<HelpItem> =>
  Object.fromEntries(
    own.helped.map(({ ticketId, askedAt, helperId }) => [
      ticketId,
      {
        name: words.people.get(ticketId)?.name ?? "",
        askedAt,
        helperId,
        helperName: helperId && (words.people.get(helperId)?.name ?? ""),
      },
    ]),
  );

const nobody = { isFor: () => false } as const;

/** Somebody shows one of the team what they see, and lets them put settings right, one by one. */
export const help = {
  rights: {
    "help.ask": byAnyone,
    "help.end": byAnyone,
    "help.take": byTeam,
    "help.close": byTeam,
    "help.sight": byAnyone,
    "help.offer": byTeam,
    "help.answer": byAnyone,
  },
  paces: {
    "help.ask": { burst: 3, everyMs: 20_000 },
    "help.sight": { burst: 6, everyMs: 500 },
    "help.offer": { burst: 5, everyMs: 1000 },
  },
  empty: { helped: [] } satisfies HelpState as HelpState,
  decide: {
    "help.ask": (own, _command, _now, { ticketId }) => {
      if (of(own, ticketId)) return done("help.ask");
      if (own.helped.length >= mostHelped) return fail({ code: "too-many-tries", retryAfterSeconds: 60 });
      return ok([{ type: "help.asked" }]);
    },
    "help.end": (own, _command, _now, { ticketId }) =>
      of(own, ticketId) ? ok([{ type: "help.ended", ticketId, why: "owner" }]) : done("help.end"),
    // one looks: the second of two is told so
    "help.take": (own, { ticketId }) =>
      of(own, ticketId)?.helperId === null ? ok([{ type: "help.taken", ticketId }]) : done("help.take"),
    "help.close": (own, { ticketId }, _now, by) =>
      of(own, ticketId)?.helperId === by.ticketId
        ? ok([{ type: "help.ended", ticketId, why: "helper" }])
        : done("help.close"),
  },
  fold: {
    "help.asked": (own, _entry, { ticketId, at }) => ({
      helped: [...without(own, ticketId), { ticketId, askedAt: at, helperId: null }],
    }),
    "help.taken": (own, { ticketId }, by) => ({
      helped: own.helped.map((one) => (one.ticketId === ticketId ? { ...one, helperId: by.ticketId } : one)),
    }),
    "help.ended": (own, { ticketId }) => ({ helped: without(own, ticketId) }),
  },
  hears: (own, entry) => {
    if (entry.type === "hour.ended") return { helped: [] };
    return entry.type === "hour.shown-out" ? { helped: without(own, entry.ticketId) } : own;
  },
  own: (own, ticketId): OwnHelp | undefined => {
    const helped = of(own, ticketId);
    return helped && { helperId: helped.helperId };
  },
  concerns: (before, after) =>
    [...before.helped, ...after.helped]
      .filter(({ ticketId }) => of(before, ticketId) !== of(after, ticketId))
      .map(({ ticketId }) => ticketId),
  views: {
    "help:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["people"],
      make: (sight) => ({ helped: items(sight) }),
    },
  },
  whispers: {
    // each to one person: whoever is helped to who helps them, and back
    "help.sight": { ...nobody, mayTell: (own, from, to) => of(own, from.ticketId)?.helperId === to.ticketId },
    "help.offer": { ...nobody, mayTell: (own, from, to) => of(own, to.ticketId)?.helperId === from.ticketId },
    "help.answer": { ...nobody, mayTell: (own, from, to) => of(own, from.ticketId)?.helperId === to.ticketId },
  },
} as const satisfies Capability<HelpShape>;
