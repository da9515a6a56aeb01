import { live, team } from "../../people";
import { fail, ok } from "../../shared";
import type { By, Capability, Sight } from "../capability";
import type { Section, TakenItem } from "../views";

/** So long an item that somebody took is dim for the others (rule 28). */
export const takenForMs = 60_000;
/** what lies longer than that is nobody's any more; so many are remembered at most */
const mostTaken = 200;

export interface Taken {
  readonly itemId: string;
  readonly byId: string;
  readonly at: number;
}
export interface TrayState {
  readonly taken: readonly Taken[];
}
export type TrayCommand = { type: "tray.take"; itemId: string } | { type: "tray.put-back"; itemId: string };
export type TrayEntry = { type: "tray.taken"; itemId: string } | { type: "tray.left"; itemId: string };

export interface TrayShape {
  state: TrayState;
  command: TrayCommand;
  fact: never;
  whisper: never;
  entry: TrayEntry;
}

const holderOf = (own: TrayState, itemId: string, at: number): Taken | undefined =>
  own.taken.find((one) => one.itemId === itemId && at - one.at < takenForMs);
const without = (own: TrayState, itemId: string): readonly Taken[] => own.taken.filter((one) => one.itemId !== itemId);

const takenItems = ({ own, words }: Sight<TrayState>): Section<TakenItem> =>
  Object.fromEntries(
    own.taken.map(({ itemId, byId, at }) => [itemId, { byId, byName: words.people.get(byId)?.name ?? "", at }]),
  );

const right = { roles: team, phases: live } as const;

/** Who of several at the desk is at which item of the in-tray (rule 28). */
export const tray = {
  rights: { "tray.take": right, "tray.put-back": right },
  empty: { taken: [] } as TrayState,
  decide: {
    "tray.take": (own, { itemId }, _, { at }: By) =>
      holderOf(own, itemId, at)
        ? fail({ code: "already-done", action: "tray.take" })
        : ok([{ type: "tray.taken", itemId } as const]),
    "tray.put-back": (own, { itemId }, _, { at }: By) =>
      holderOf(own, itemId, at)
        ? ok([{ type: "tray.left", itemId } as const])
        : fail({ code: "already-done", action: "tray.put-back" }),
  },
  fold: {
    "tray.taken": (own, { itemId }, { ticketId, at }) => ({
      taken: [...without(own, itemId).filter((one) => at - one.at < takenForMs), { itemId, byId: ticketId, at }].slice(
        -mostTaken,
      ),
    }),
    "tray.left": (own, { itemId }) => ({ taken: without(own, itemId) }),
  },
  views: {
    "tray:desk": {
      isFor: (standing) => standing.isAtDesk,
      reads: ["people"],
      make: (sight) => ({ taken: takenItems(sight) }),
    },
  },
} as const satisfies Capability<TrayShape>;
