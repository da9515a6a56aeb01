/** A side room as whoever may go there sees it. */
export interface SideRoomItem {
  readonly name: string;
  readonly size: number;
}
/** And as the team sees it. */
export interface TeamSideRoomItem extends SideRoomItem {
  /** members who are connected now */
  readonly here: number;
  readonly visitors: readonly { readonly ticketId: string; readonly name: string }[];
  /** who asks for help, and since when */
  readonly help: { readonly byId: string; readonly name: string; readonly at: number } | null;
}

/** Where the side rooms stand in time, and what the desk says to all of them. */
export interface SidesItem {
  readonly opensAt: number | null;
  readonly closesAt: number | null;
  readonly isChoice: boolean;
  readonly message: string | null;
}

/** The room that somebody belongs to, for the desk. */
export interface SideMemberItem {
  readonly name: string;
  readonly room: number;
  readonly isOut: boolean;
}

export interface OwnSideRoom {
  readonly room: number | null;
  readonly isOut: boolean;
  readonly asksForHelp: boolean;
}
