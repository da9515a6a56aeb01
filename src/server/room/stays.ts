import { sql } from "drizzle-orm";
import type { Place } from "@/core/room";
import type { Db } from "../db/client";
import { idArray } from "../db/queries/any-of";

/**
 * People go from one place to another: every stay of theirs in the room that lasts ends now, and one at the new
 * place begins with the same device and sign of life. Whoever is there already stays. A sign that was written while the
 * command waited for its lock is later than `now`: the stay ends no earlier than it.
 */
export async function moveStays(
  tx: Db,
  { roomId, now }: { readonly roomId: string; readonly now: number },
  ticketIds: readonly string[],
  place: Place,
): Promise<void> {
  if (ticketIds.length === 0) return;
  const at = new Date(now).toISOString();
  await tx.execute(sql`
    with left_behind as (
      update stays set to_at = greatest(from_at, last_sign_at, ${at}::timestamptz)
      where room_id = ${roomId} and to_at is null and place <> ${place} and ticket_id = any(${idArray(ticketIds)})
      returning *)
    insert into stays (id, connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, place, from_at, last_sign_at, level)
    select gen_random_uuid(), connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, ${place}, to_at, last_sign_at, level
    from left_behind`);
}
