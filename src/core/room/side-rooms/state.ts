import { Book } from "../../shared";

export const mostSideRooms = 40;
/** Called back, people have so long (rule of the trade: a minute's notice). */
export const callBackSeconds = 60;
export const mostCountdownSeconds = 600;

export interface Help {
  readonly byId: string;
  readonly at: number;
}

/** Small groups' rooms beside the main one, by number from 1 on. */
export interface SideRoomsState {
  readonly count: number;
  /** the room that each person belongs to; as text, for a book holds no holes */
  readonly members: Book<number>;
  /** people of the stage side who look in on a room */
  readonly visitors: Book<number>;
  /** members who are back in the main room by their own choice */
  readonly out: Book<true>;
  /** rooms that ask for help, by number */
  readonly help: Book<Help>;
  /** wall time from which people are in their rooms; null while they are only prepared */
  readonly opensAt: number | null;
  /** wall time at which they are back; null while nobody was called back */
  readonly closesAt: number | null;
  /** people choose their room themselves */
  readonly isChoice: boolean;
  /** whether the desk says something to all of them */
  readonly isTold: boolean;
}

export const noSideRooms: SideRoomsState = {
  count: 0,
  members: Book.empty(),
  visitors: Book.empty(),
  out: Book.empty(),
  help: Book.empty(),
  opensAt: null,
  closesAt: null,
  isChoice: false,
  isTold: false,
};

/** Prepared or being opened: false; from the opening on until everybody is back: true. */
export const areSidesOpen = (
  { opensAt, closesAt }: Pick<SideRoomsState, "opensAt" | "closesAt">,
  at: number,
): boolean => opensAt !== null && at >= opensAt && (closesAt === null || at < closesAt);

/** Opened or about to be, and not over. */
export const areSidesRunning = (
  { opensAt, closesAt }: Pick<SideRoomsState, "opensAt" | "closesAt">,
  at: number,
): boolean => opensAt !== null && (closesAt === null || at < closesAt);

/** The side room whose words somebody gets: a member's own, or the one that a visitor looks in on. */
export const sideRoomOf = (own: SideRoomsState, ticketId: string): number | null =>
  own.visitors.get(ticketId) ?? own.members.get(ticketId) ?? null;

export const roomNumbers = ({ count }: Pick<SideRoomsState, "count">): readonly number[] =>
  Array.from({ length: count }, (_, i) => i + 1);

export function sizesOf(own: SideRoomsState): ReadonlyMap<number, number> {
  const sizes = new Map(roomNumbers(own).map((room) => [room, 0]));
  for (const [, room] of own.members) sizes.set(room, (sizes.get(room) ?? 0) + 1);
  return sizes;
}
