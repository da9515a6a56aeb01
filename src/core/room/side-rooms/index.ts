import { audience, live, onStage, team } from "../../people";
import { Book, fail, ok, seededChance } from "../../shared";
import type { Capability, Now } from "../capability";
import { isInHouse, isOfTheStage } from "../standing";
import { allot, smallestRoom } from "./allot";
import type { SideRoomsShape } from "./shape";
import { areSidesOpen, areSidesRunning, mostSideRooms, noSideRooms, sizesOf, type SideRoomsState } from "./state";
import { deskSides, houseSides, ownSideRoom, teamSides } from "./views";

const done = (action: string) => fail({ code: "already-done", action } as const);
const noRoom = fail({ code: "not-found", what: "side room" } as const);
const notOpen = fail({ code: "sides-not-open" } as const);
const isRoom = (own: SideRoomsState, room: number | null): boolean => room === null || (room >= 1 && room <= own.count);

/** Those whom the server found for a shuffle: who is there, or registered where nobody has come yet. */
const candidatesOf = ({ scene }: Now): readonly string[] => (scene.about as readonly string[] | null) ?? [];

const byDesk = { roles: team, duty: "people", phases: live } as const;
/** Ahead of the hour too: rooms are filled when the registrations are there. */
const planned = { roles: team, duty: "people", phases: ["scheduled", "backstage", "open"] } as const;
const byMember = { roles: audience, phases: ["open"] } as const;

const setMany = (book: Book<number>, places: readonly (readonly [string, number | null])[]): Book<number> => {
  const next = new Map(book);
  for (const [id, room] of places) {
    if (room === null) next.delete(id);
    else next.set(id, room);
  }
  return Book.from(next);
};

/** Side rooms (rule 15): made, filled, opened with a countdown, visited, called back. */
export const sideRooms = {
  rights: {
    "sideRooms.make": planned,
    "sideRooms.shuffle": planned,
    "sideRooms.place": planned,
    "sideRooms.let-choose": planned,
    "sideRooms.open": byDesk,
    "sideRooms.call-back": byDesk,
    "sideRooms.tell": byDesk,
    "sideRooms.visit": { roles: onStage, phases: live },
    "sideRooms.help-came": byDesk,
    "sideRooms.go": byMember,
    "sideRooms.step-out": byMember,
    "sideRooms.ask-help": byMember,
  },
  paces: { "sideRooms.ask-help": { burst: 2, everyMs: 10_000 }, "sideRooms.go": { burst: 6, everyMs: 2000 } },
  empty: noSideRooms,
  decide: {
    "sideRooms.make": (own, { count }, _, { at }) => {
      if (areSidesRunning(own, at)) return fail({ code: "sides-open" });
      // of the same number too: what they are called may be another
      return count > mostSideRooms ? done("sideRooms.make") : ok([{ type: "sideRooms.made", count }]);
    },
    "sideRooms.shuffle": (own, { seed, together, apart }, now, { at }) => {
      if (own.count === 0) return noRoom;
      if (areSidesOpen(own, at)) return fail({ code: "sides-open" });
      const placed = allot(candidatesOf(now), own.count, { together, apart }, seededChance(seed));
      if (!placed.ok) return placed;
      const gone = [...own.members].filter(([id]) => !placed.value.has(id)).map(([id]) => [id, null] as const);
      return ok([{ type: "sideRooms.placed", places: [...gone, ...placed.value] }]);
    },
    "sideRooms.place": (own, { places }) =>
      places.every(([, room]) => isRoom(own, room)) ? ok([{ type: "sideRooms.placed", places }]) : noRoom,
    "sideRooms.let-choose": (own, { isChoice }) =>
      own.isChoice === isChoice ? done("sideRooms.let-choose") : ok([{ type: "sideRooms.choice-set", isChoice }]),
    "sideRooms.open": (own, { inSeconds }, _, { at }) => {
      if (own.count === 0) return noRoom;
      if (areSidesRunning(own, at)) return done("sideRooms.open");
      return ok([{ type: "sideRooms.opened", opensAt: at + inSeconds * 1000 }]);
    },
    "sideRooms.call-back": (own, { inSeconds }, _, { at }) => {
      if (!areSidesRunning(own, at)) return notOpen;
      const closesAt = at + inSeconds * 1000;
      // a second notice may only be sooner
      return own.closesAt !== null && own.closesAt <= closesAt
        ? done("sideRooms.call-back")
        : ok([{ type: "sideRooms.called-back", closesAt }]);
    },
    "sideRooms.tell": (own, { isTold }) =>
      isTold || own.isTold ? ok([{ type: "sideRooms.told", isTold }]) : done("sideRooms.tell"),
    "sideRooms.visit": (own, { room }, _, { ticketId, at }) => {
      if (!isRoom(own, room)) return noRoom;
      if (room !== null && !areSidesOpen(own, at)) return notOpen;
      if ((own.visitors.get(ticketId) ?? null) === room) return done("sideRooms.visit");
      const came = room !== null && own.help.has(String(room)) ? [{ type: "sideRooms.help-given", room } as const] : [];
      return ok([{ type: "sideRooms.visited", ticketId, room }, ...came]);
    },
    "sideRooms.help-came": (own, { room }) =>
      own.help.has(String(room)) ? ok([{ type: "sideRooms.help-given", room }]) : done("sideRooms.help-came"),
    "sideRooms.go": (own, { room }, _, { ticketId, at }) => {
      if (!areSidesRunning(own, at)) return notOpen;
      const before = own.members.get(ticketId) ?? null;
      // whoever has a room goes back to it; another is chosen only where that is let
      const wanted = room !== null && (own.isChoice || room === before) ? room : (before ?? smallestRoom(sizesOf(own)));
      if (wanted === null || !isRoom(own, wanted)) return noRoom;
      if (wanted === before && !own.out.has(ticketId)) return done("sideRooms.go");
      return ok([{ type: "sideRooms.placed", places: [[ticketId, wanted]] }]);
    },
    "sideRooms.step-out": (own, _, __, { ticketId }) =>
      own.members.has(ticketId) && !own.out.has(ticketId)
        ? ok([{ type: "sideRooms.stepped-out", ticketId }])
        : done("sideRooms.step-out"),
    "sideRooms.ask-help": (own, _, __, { ticketId, at }) => {
      const room = own.members.get(ticketId);
      if (room === undefined || !areSidesOpen(own, at)) return notOpen;
      return own.help.has(String(room))
        ? done("sideRooms.ask-help")
        : ok([{ type: "sideRooms.help-asked", room, ticketId }]);
    },
  },
  fold: {
    "sideRooms.made": (own, { count }) => ({
      ...own,
      count,
      members: Book.from([...own.members].filter(([, room]) => room <= count)),
      help: Book.empty(),
    }),
    "sideRooms.placed": (own, { places }) => ({
      ...own,
      members: setMany(own.members, places),
      out: places.reduce((out, [id]) => out.without(id), own.out),
    }),
    "sideRooms.choice-set": (own, { isChoice }) => ({ ...own, isChoice }),
    "sideRooms.opened": (own, { opensAt }) => ({
      ...own,
      opensAt,
      closesAt: null,
      out: Book.empty(),
      help: Book.empty(),
      visitors: Book.empty(),
    }),
    "sideRooms.called-back": (own, { closesAt }) => ({ ...own, closesAt }),
    "sideRooms.told": (own, { isTold }) => ({ ...own, isTold }),
    "sideRooms.visited": (own, { ticketId, room }) => ({
      ...own,
      visitors: room === null ? own.visitors.without(ticketId) : own.visitors.with(ticketId, room),
    }),
    "sideRooms.stepped-out": (own, { ticketId }) => ({ ...own, out: own.out.with(ticketId, true) }),
    "sideRooms.help-asked": (own, { room, ticketId }, { at }) => ({
      ...own,
      help: own.help.with(String(room), { byId: ticketId, at }),
    }),
    "sideRooms.help-given": (own, { room }) => ({ ...own, help: own.help.without(String(room)) }),
  },
  hears: (own, entry, { at }) => {
    if (entry.type === "hour.ended" && areSidesRunning(own, at)) return { ...own, closesAt: at };
    return entry.type === "hour.shown-out" ? { ...own, members: own.members.without(entry.ticketId) } : own;
  },
  views: {
    "sideRooms:team": { isFor: isOfTheStage, reads: ["people", "present", "notes"], make: teamSides },
    "sideRooms:desk": { isFor: (standing) => standing.isAtDesk, reads: ["people"], make: deskSides },
    "sideRooms:house": { isFor: isInHouse, reads: ["notes"], make: houseSides },
  },
  own: ownSideRoom,
  concerns: (before, after) => {
    const changed = [...Book.changes(before.members, after.members), ...Book.changes(before.out, after.out)];
    // whose room asks for help, or was helped: its members' own part says so
    const rooms = new Set([...Book.changes(before.help, after.help)].map(([room]) => Number(room)));
    const helped = rooms.size === 0 ? [] : [...after.members].flatMap(([id, room]) => (rooms.has(room) ? [id] : []));
    return new Set([...changed.map(([id]) => id), ...helped]);
  },
} as const satisfies Capability<SideRoomsShape>;
