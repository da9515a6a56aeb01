import type { Sight } from "../capability";
import type { OwnSideRoom, SideMemberItem, SideRoomItem, SidesItem, TeamSideRoomItem } from "./items";
import { roomNumbers, sizesOf, type SideRoomsState } from "./state";

type Of = Sight<SideRoomsState>;

/** The words of one note for each room's name, and one for what the desk says to all. */
export const sideRoomNameNote = (room: number): string => `sideRooms.name-${room}`;
export const sideRoomsMessageNote = "sideRooms.message";

const nameOf = ({ words }: Of, room: number): string => words.notes.get(sideRoomNameNote(room)) ?? String(room);
const personOf = ({ words }: Of, id: string): string => words.people.get(id)?.name ?? "";

function sides({ own, words }: Of): Readonly<Record<string, SidesItem>> {
  const { opensAt, closesAt, isChoice, isTold } = own;
  const message = isTold ? (words.notes.get(sideRoomsMessageNote) ?? null) : null;
  return own.count === 0 ? {} : { it: { opensAt, closesAt, isChoice, message } };
}

export function houseSides(sight: Of) {
  const sizes = sizesOf(sight.own);
  const sideRooms: Record<string, SideRoomItem> = {};
  for (const room of roomNumbers(sight.own))
    sideRooms[room] = { name: nameOf(sight, room), size: sizes.get(room) ?? 0 };
  return { sides: sides(sight), sideRooms };
}

export function teamSides(sight: Of) {
  const { own, figures } = sight;
  const sizes = sizesOf(own);
  const here = new Map<number, number>();
  for (const [id, room] of own.members)
    if (figures.present.has(id) && !own.out.has(id)) here.set(room, (here.get(room) ?? 0) + 1);
  const sideRooms: Record<string, TeamSideRoomItem> = {};
  for (const room of roomNumbers(own)) {
    const help = own.help.get(String(room));
    sideRooms[room] = {
      ...{ name: nameOf(sight, room), size: sizes.get(room) ?? 0, here: here.get(room) ?? 0 },
      visitors: [...own.visitors].flatMap(([id, at]) =>
        at === room ? [{ ticketId: id, name: personOf(sight, id) }] : [],
      ),
      help: help ? { ...help, name: personOf(sight, help.byId) } : null,
    };
  }
  return { sides: sides(sight), sideRooms };
}

export function deskSides(sight: Of) {
  const sideMembers: Record<string, SideMemberItem> = {};
  for (const [id, room] of sight.own.members)
    sideMembers[id] = { name: personOf(sight, id), room, isOut: sight.own.out.has(id) };
  return { sideMembers };
}

export function ownSideRoom({ members, out, help }: SideRoomsState, ticketId: string): OwnSideRoom {
  const room = members.get(ticketId) ?? null;
  return { room, isOut: out.has(ticketId), asksForHelp: room !== null && help.has(String(room)) };
}
