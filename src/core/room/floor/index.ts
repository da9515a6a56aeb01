import { audience, live, team } from "../../people";
import { Book, fail, ok } from "../../shared";
import type { Capability } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { emptyFloor, mostHolders, offeredCount, type FloorPart, type FloorState, type Holder } from "./state";
import type { FloorShape } from "./shape";
import { deskFloor, houseFloor, ownFloor } from "./views";

export {
  emptyFloor,
  floorParts,
  handsInOrder,
  voiceStaysAwayMs,
  mostHolders,
  type FloorPart,
  type FloorState,
  type Holder,
} from "./state";
export type { FloorCommand, FloorEntry, FloorShape } from "./shape";
export type { EveryoneItem, HandItem, HeardItem, HolderItem, OwnFloor } from "./items";
export { commandsOfKey, keysFor, phoneKeys, type KeyAct, type KeyActs, type PhoneKey } from "./phone-keys";
export { floorRecord, handCounts, type FloorTurn } from "./record";

/** What somebody on stage may be heard and seen by. */
const stageParts: FloorPart[] = ["sound", "picture"];

const done = (action: string) => fail({ code: "already-done", action } as const);
const gone = (what: "hand" | "floor") => fail({ code: "not-found", what } as const);

const withHolder = (own: FloorState, id: string, change: Partial<Holder>): FloorState => {
  const holder = own.holders.get(id);
  return holder ? { ...own, holders: own.holders.with(id, { ...holder, ...change }) } : own;
};
const without = (own: FloorState, id: string): FloorState => ({ ...own, holders: own.holders.without(id) });

/** Whoever has left for good holds nothing any more: neither a hand nor the floor. */
const dismissed = (own: FloorState, id: string): FloorState => without({ ...own, hands: own.hands.without(id) }, id);

const byHouse = { roles: audience, phases: ["open"] } as const;
const byDesk = { roles: team, duty: "people", phases: live } as const;

/** Raised hands and the floor: who of the house is heard (rule 19). */
export const floor = {
  rights: {
    "floor.raise-hand": { ...byHouse, needs: { switch: "hands" } },
    "floor.lower-hand": byHouse,
    "floor.accept": byHouse,
    "floor.give-back": byHouse,
    "floor.set-microphone": byHouse,
    "floor.share-screen": byHouse,
    "floor.level": byHouse,
    "floor.lower-for": byDesk,
    "floor.lower-all": byDesk,
    "floor.rename": byDesk,
    "floor.rename-self": { ...byHouse, needs: { switch: "rename" } },
    "floor.offer": byDesk,
    "floor.withdraw": byDesk,
    "floor.bring-on-stage": byDesk,
    "floor.close-microphone": byDesk,
    "floor.let-everyone-speak": byDesk,
    "floor.end-everyone": byDesk,
  },
  paces: {
    "floor.level": { burst: 8, everyMs: 200 },
    "floor.raise-hand": { burst: 5, everyMs: 3000 },
    "floor.rename-self": { burst: 2, everyMs: 30_000 },
  },
  empty: emptyFloor,
  decide: {
    "floor.raise-hand": (own, _, __, { ticketId }) =>
      own.hands.has(ticketId) || own.holders.has(ticketId)
        ? done("floor.raise-hand")
        : ok([{ type: "floor.hand-raised", ticketId }]),
    "floor.lower-hand": (own, _, __, { ticketId }) =>
      own.hands.has(ticketId) ? ok([{ type: "floor.hand-lowered", ticketId, why: "owner" }]) : done("floor.lower-hand"),
    // of two desks the second finds it lowered: that is as wanted
    "floor.lower-for": (own, { ticketId }) =>
      own.hands.has(ticketId) ? ok([{ type: "floor.hand-lowered", ticketId, why: "desk" }]) : done("floor.lower-for"),
    "floor.lower-all": (own, { withSegment = false }, { switches }) => {
      if (withSegment && !switches.hands.endsWithSegment) return ok([]);
      const why = withSegment ? "segment" : "desk";
      return ok([...own.hands].map(([ticketId]) => ({ type: "floor.hand-lowered", ticketId, why }) as const));
    },
    "floor.rename": (_, { ticketId }) => ok([{ type: "floor.renamed", ticketId }]),
    "floor.rename-self": (_, __, ___, { ticketId }) => ok([{ type: "floor.renamed", ticketId }]),
    "floor.offer": (own, { ticketId, parts }, { scene, hour }) => {
      if (scene.stageTicketIds.has(ticketId) || hour.barred.has(ticketId)) return gone("floor");
      // whoever speaks because everyone may can be given the floor for themselves: it stays when that ends
      if (own.holders.has(ticketId) && !own.holders.get(ticketId)!.isOfEveryone) return done("floor.offer");
      if (offeredCount(own) >= mostHolders) return fail({ code: "floor-full", most: mostHolders });
      return ok([{ type: "floor.offered", ticketId, parts }]);
    },
    "floor.bring-on-stage": (own, { ticketId }, { scene, hour }) => {
      if (scene.stageTicketIds.has(ticketId) || hour.barred.has(ticketId)) return gone("floor");
      if (own.holders.get(ticketId)?.isOnStage) return done("floor.bring-on-stage");
      // nothing opens by it: sound and picture are offered, and taken up by the person themself
      const offered = own.holders.has(ticketId)
        ? []
        : [{ type: "floor.offered", ticketId, parts: stageParts } as const];
      return ok([...offered, { type: "floor.brought-on-stage", ticketId }]);
    },
    "floor.accept": (own, _, __, { ticketId }) => {
      const holder = own.holders.get(ticketId);
      if (!holder) return gone("floor");
      return holder.acceptedAt === null ? ok([{ type: "floor.accepted", ticketId }]) : done("floor.accept");
    },
    "floor.give-back": (own, _, __, { ticketId }) =>
      own.holders.has(ticketId) ? ok([{ type: "floor.ended", ticketId, why: "holder" }]) : done("floor.give-back"),
    "floor.set-microphone": (own, { isOpen }, _, { ticketId }) => {
      const holder = own.holders.get(ticketId);
      const mayOpen = holder
        ? holder.acceptedAt !== null && holder.parts.includes("sound")
        : own.everyoneSince !== null;
      if (!mayOpen) return gone("floor");
      return (holder?.isMicrophoneOpen ?? false) === isOpen
        ? done("floor.set-microphone")
        : ok([{ type: "floor.microphone-set", ticketId, isOpen }]);
    },
    "floor.share-screen": (own, { overId }, _, { ticketId }) => {
      const holder = own.holders.get(ticketId);
      return holder && holder.acceptedAt !== null && holder.parts.includes("screen")
        ? ok([{ type: "floor.screen-begun", ticketId, overId }])
        : gone("floor");
    },
    "floor.withdraw": (own, { ticketId }) =>
      own.holders.has(ticketId) ? ok([{ type: "floor.ended", ticketId, why: "desk" }]) : done("floor.withdraw"),
    "floor.close-microphone": (own, { ticketId }) =>
      own.holders.get(ticketId)?.isMicrophoneOpen
        ? ok([{ type: "floor.microphone-set", ticketId, isOpen: false }])
        : done("floor.close-microphone"),
    "floor.let-everyone-speak": (own) =>
      own.everyoneSince === null ? ok([{ type: "floor.everyone-let-speak" }]) : done("floor.let-everyone-speak"),
    "floor.end-everyone": (own) =>
      own.everyoneSince === null ? done("floor.end-everyone") : ok([{ type: "floor.everyone-ended" }]),
  },
  fold: {
    "floor.hand-raised": (own, { ticketId }, { at }) => ({ ...own, hands: own.hands.with(ticketId, { raisedAt: at }) }),
    "floor.hand-lowered": (own, { ticketId }) => ({ ...own, hands: own.hands.without(ticketId) }),
    // words alone: nothing of the state
    "floor.renamed": (own) => own,
    "floor.offered": (own, { ticketId, parts }, { at }) => ({
      ...own,
      holders: own.holders.with(ticketId, {
        acceptedAt: null,
        isMicrophoneOpen: false,
        isOnStage: false,
        // who speaks already goes on speaking
        ...own.holders.get(ticketId),
        parts,
        offeredAt: at,
        isOfEveryone: false,
      }),
    }),
    "floor.accepted": (own, { ticketId }, { at }) => withHolder(own, ticketId, { acceptedAt: at }),
    "floor.microphone-set": (own, { ticketId, isOpen }, { at }) =>
      own.holders.has(ticketId)
        ? withHolder(own, ticketId, { isMicrophoneOpen: isOpen })
        : {
            ...own,
            holders: own.holders.with(ticketId, {
              parts: ["sound"],
              offeredAt: at,
              acceptedAt: at,
              isMicrophoneOpen: isOpen,
              isOfEveryone: true,
              isOnStage: false,
            }),
          },
    "floor.brought-on-stage": (own, { ticketId }) => {
      const isWithScreen = own.holders.get(ticketId)?.parts.includes("screen") ?? false;
      const parts: FloorPart[] = isWithScreen ? [...stageParts, "screen"] : stageParts;
      return withHolder(own, ticketId, { isOnStage: true, isOfEveryone: false, parts });
    },
    // the stage keeps whose screens are shared
    "floor.screen-begun": (own) => own,
    // an offer that was taken back before it was taken up leaves the hand where it was in the line
    "floor.ended": (own, { ticketId, why }) =>
      why === "desk" && own.holders.get(ticketId)?.acceptedAt === null
        ? without(own, ticketId)
        : dismissed(own, ticketId),
    "floor.everyone-let-speak": (own, _, { at }) => ({ ...own, everyoneSince: at }),
    "floor.everyone-ended": (own) => ({
      ...own,
      everyoneSince: null,
      holders: Book.from([...own.holders].filter(([, holder]) => !holder.isOfEveryone)),
    }),
  },
  hears: (own, entry) => {
    if (entry.type === "hour.shown-out") return dismissed(own, entry.ticketId);
    return entry.type === "hour.ended" ? emptyFloor : own;
  },
  views: {
    "floor:team": { isFor: isOfTheStage, reads: ["people"], make: (sight) => deskFloor(sight) },
    "floor:house": { isFor: isInHouse, reads: ["people"], make: (sight) => houseFloor(sight) },
  },
  // only team and stage are told how loud
  whispers: { "floor.level": { isFor: isOfTheStage } },
  own: ownFloor,
  concerns: (before, after) =>
    new Set([
      ...[...Book.changes(before.hands, after.hands)].map(([id]) => id),
      ...[...Book.changes(before.holders, after.holders)].map(([id]) => id),
    ]),
} as const satisfies Capability<FloorShape>;
