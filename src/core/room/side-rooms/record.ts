import type { HourEntry } from "../hour/state";
import type { SideRoomsEntry } from "./shape";

/** A row of the journal; those of other capabilities say nothing here. */
export interface SideRow {
  readonly at: number;
  readonly body: { readonly type: string };
}

/** One time that somebody belonged to a side room while it was open; both null where it never was. */
export interface SideStay {
  readonly ticketId: string;
  readonly room: number;
  readonly from: number | null;
  readonly until: number | null;
}

/**
 * Who was in which side room and when, from the rows of a date: from the opening, or from when they were put there,
 * to when they left it or everybody was back.
 */
export function sideStays(rows: Iterable<SideRow>): readonly SideStay[] {
  const stays: SideStay[] = [];
  const roomOf = new Map<string, number>();
  const since = new Map<string, number>();
  let opensAt: number | null = null;
  let closesAt: number | null = null;
  const leave = (ticketId: string, at: number) => {
    const from = since.get(ticketId);
    since.delete(ticketId);
    const until = closesAt === null ? at : Math.min(at, closesAt);
    if (from !== undefined && until > from) stays.push({ ticketId, room: roomOf.get(ticketId)!, from, until });
  };
  const put = (ticketId: string, room: number | null, at: number) => {
    if (roomOf.get(ticketId) === room && since.has(ticketId)) return;
    leave(ticketId, at);
    if (room === null) return void roomOf.delete(ticketId);
    roomOf.set(ticketId, room);
    if (opensAt !== null) since.set(ticketId, Math.max(at, opensAt));
  };
  const closeAll = (at: number) => {
    for (const id of [...since.keys()]) leave(id, at);
    opensAt = null;
    closesAt = null;
  };
  for (const { at, body } of rows as Iterable<{ at: number; body: SideRoomsEntry | HourEntry }>) {
    if (closesAt !== null && at >= closesAt) closeAll(closesAt);
    switch (body.type) {
      case "sideRooms.placed":
        for (const [id, room] of body.places) put(id, room, at);
        break;
      case "sideRooms.made":
        for (const [id, room] of [...roomOf]) if (room > body.count) put(id, null, at);
        break;
      case "sideRooms.opened":
        opensAt = body.opensAt;
        closesAt = null;
        for (const id of roomOf.keys()) since.set(id, opensAt);
        break;
      case "sideRooms.stepped-out":
        leave(body.ticketId, at);
        break;
      case "sideRooms.called-back":
        closesAt = body.closesAt;
        break;
      case "hour.shown-out":
        put(body.ticketId, null, at);
        break;
      case "hour.ended":
        closeAll(at);
        break;
    }
  }
  if (closesAt !== null) closeAll(closesAt);
  for (const [ticketId, from] of since) stays.push({ ticketId, room: roomOf.get(ticketId)!, from, until: null });
  const known = new Set(stays.map((one) => one.ticketId));
  for (const [ticketId, room] of roomOf)
    if (!known.has(ticketId)) stays.push({ ticketId, room, from: null, until: null });
  return stays.sort((a, b) => a.room - b.room || (a.from ?? 0) - (b.from ?? 0) || (a.ticketId < b.ticketId ? -1 : 1));
}
