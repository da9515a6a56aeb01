import { sql } from "drizzle-orm";
import { leaseLostAfterMs } from "@/core/programme";
import type { Db } from "../db/client";

/** Who would make which feed of which room, with which page. */
export interface Maker {
  readonly roomId: string;
  readonly organisationId: string;
  readonly feed: string;
  readonly holderId: string;
  readonly device: string;
}
export interface Held {
  readonly pieceNumber: number;
  readonly initNumber: number;
}
const heldOf = (rows: readonly Record<string, unknown>[]): Held | null =>
  rows[0] ? { pieceNumber: Number(rows[0]["last_piece"]), initNumber: Number(rows[0]["last_init"]) } : null;
const instant = (at: number): string => new Date(at).toISOString();

/** Takes or renews the lease, where it is free, lost or one's own; null where somebody else holds it. One statement. */
export async function takeLease(db: Db, maker: Maker, now: number): Promise<Held | null> {
  const { roomId, organisationId, feed, holderId, device } = maker;
  const { rows } = await db.execute(sql`
    insert into programme_feeds as f (room_id, organisation_id, feed, holder_id, device, renewed_at)
    values (${roomId}, ${organisationId}, ${feed}, ${holderId}, ${device}, ${instant(now)})
    on conflict (room_id, feed) do update set holder_id = excluded.holder_id, device = excluded.device, renewed_at = excluded.renewed_at
      where (f.holder_id = excluded.holder_id and f.device = excluded.device) or f.renewed_at <= ${instant(now - leaseLostAfterMs)}
    returning last_piece, last_init`);
  return heldOf(rows);
}

/** The number of what comes next; it renews the lease. Null for whoever has none. */
export async function nextNumber(db: Db, maker: Maker, of: "piece" | "init", now: number): Promise<Held | null> {
  const { roomId, feed, holderId, device } = maker;
  const moved = of === "piece" ? sql`last_piece = last_piece + 1` : sql`last_init = last_init + 1`;
  const { rows } = await db.execute(sql`
    update programme_feeds set renewed_at = ${instant(now)}, ${moved}
    where room_id = ${roomId} and feed = ${feed} and holder_id = ${holderId} and device = ${device}
      and renewed_at > ${instant(now - leaseLostAfterMs)}
    returning last_piece, last_init`);
  return heldOf(rows);
}

/** Given back by whoever goes: the next one need not wait for it to be lost. @returns whether it was theirs */
export async function giveBackLease(db: Db, maker: Maker): Promise<boolean> {
  const { roomId, feed, holderId, device } = maker;
  const { rowCount } = await db.execute(sql`
    update programme_feeds set renewed_at = ${instant(0)}
    where room_id = ${roomId} and feed = ${feed} and holder_id = ${holderId} and device = ${device}`);
  return (rowCount ?? 0) > 0;
}
