import type { HourEntry } from "../hour/state";
import type { FloorEntry } from "./shape";

/** A row of the journal; those of other capabilities say nothing here. */
export interface FloorRow {
  readonly at: number;
  readonly body: { readonly type: string };
}
const bodyOf = (row: FloorRow) => row.body as FloorEntry | HourEntry;

/** One time that somebody had the floor, or was offered it. */
export interface FloorTurn {
  readonly ticketId: string;
  readonly offeredAt: number;
  readonly acceptedAt: number | null;
  readonly endedAt: number | null;
  /** how long their microphone was open within it */
  readonly openMs: number;
}

interface Running {
  readonly offeredAt: number;
  acceptedAt: number | null;
  isOfEveryone: boolean;
  openSince: number | null;
  openMs: number;
}

/**
 * Every turn on the floor, in the order of the offers, from the rows of a date (rule 19): floor time is the union of
 * the spans with an open microphone within the floor.
 */
export function floorRecord(rows: Iterable<FloorRow>): readonly FloorTurn[] {
  const turns: FloorTurn[] = [];
  const running = new Map<string, Running>();
  const close = (turn: Running, at: number) => {
    if (turn.openSince !== null) turn.openMs += at - turn.openSince;
    turn.openSince = null;
  };
  const end = (ticketId: string, at: number) => {
    const turn = running.get(ticketId);
    if (!turn) return;
    close(turn, at);
    running.delete(ticketId);
    const { offeredAt, acceptedAt, openMs } = turn;
    turns.push({ ticketId, offeredAt, acceptedAt, endedAt: at, openMs });
  };
  const begin = (at: number, isOfEveryone: boolean): Running => ({
    offeredAt: at,
    acceptedAt: isOfEveryone ? at : null,
    isOfEveryone,
    openSince: null,
    openMs: 0,
  });
  for (const row of rows) {
    const { at } = row;
    const body = bodyOf(row);
    switch (body.type) {
      case "floor.offered":
        // who spoke because everyone might goes on in the same turn
        if (running.has(body.ticketId)) running.get(body.ticketId)!.isOfEveryone = false;
        else running.set(body.ticketId, begin(at, false));
        break;
      case "floor.accepted": {
        const turn = running.get(body.ticketId);
        if (turn) turn.acceptedAt = at;
        break;
      }
      case "floor.microphone-set": {
        const turn = running.get(body.ticketId) ?? begin(at, true);
        running.set(body.ticketId, turn);
        close(turn, at);
        if (body.isOpen) turn.openSince = at;
        break;
      }
      case "floor.ended":
      case "hour.shown-out":
        end(body.ticketId, at);
        break;
      case "floor.everyone-ended":
        for (const [id, turn] of [...running]) if (turn.isOfEveryone) end(id, at);
        break;
      case "hour.ended":
        for (const id of [...running.keys()]) end(id, at);
        break;
    }
  }
  for (const [ticketId, { offeredAt, acceptedAt, openMs }] of running)
    turns.push({ ticketId, offeredAt, acceptedAt, endedAt: null, openMs });
  return turns.sort((a, b) => a.offeredAt - b.offeredAt);
}

/** How often each raised a hand. */
export function handCounts(rows: Iterable<FloorRow>): ReadonlyMap<string, number> {
  const counts = new Map<string, number>();
  for (const row of rows) {
    const body = bodyOf(row);
    if (body.type === "floor.hand-raised") counts.set(body.ticketId, (counts.get(body.ticketId) ?? 0) + 1);
  }
  return counts;
}
