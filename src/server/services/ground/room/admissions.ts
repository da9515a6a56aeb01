import { sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { admit, type Waiting } from "@/core/seats";
import { isLetIn, type HourState } from "@/core/room";
import type { Db } from "../../../db/client";
import type { CommandScene } from "../../../db/queries/command-scene";
import { isCountedRole, isStage } from "../../../db/queries/roles";
import { notifyFacts } from "../../../db/notify";
import { admissions } from "../../../db/schema";
import { moveStays } from "../../../room/stays";
import type { Context } from "../context";

interface FoyerRow {
  ticket_id: string;
  role: string;
  arrived: string;
  was_inside: boolean;
}

/**
 * Lets those of the foyer in whom rule 3 lets in: dropped-out people first, then by arrival, as far
 * as the seats go. The caller holds the room's lock, so no seat is given twice.
 */
export async function admitWaiting(
  context: Context,
  tx: Db,
  scene: Pick<CommandScene, "occurrenceId" | "houseSize" | "switches"> & { readonly hour: HourState },
  { roomId, organisationId }: { readonly roomId: string; readonly organisationId: string },
): Promise<readonly string[]> {
  const { occurrenceId, houseSize } = scene;
  const now = context.clock.now();
  const alive = new Date(now - signLostAfterMs).toISOString();
  const live = sql`c.occurrence_id = ${occurrenceId} and c.to_at is null and c.last_sign_at > ${alive} and not ${isStage(sql`c.role`)}
    and not exists (select 1 from tickets b where b.id = c.ticket_id and b.barred_at is not null)`;
  const foyer =
    await tx.execute(sql`select c.ticket_id, min(c.role) as role, min(c.from_at) as arrived, bool_or(a.ticket_id is not null) as was_inside
      from stays c left join admissions a on a.occurrence_id = c.occurrence_id and a.ticket_id = c.ticket_id
      where ${live} group by c.ticket_id having bool_and(c.place = 'foyer')`);
  const inside = await tx.execute(
    sql`select count(distinct c.ticket_id)::int as n from stays c where ${live} and c.place <> 'foyer' and ${isCountedRole(sql`c.role`)}`,
  );
  const waiting = (foyer.rows as unknown as FoyerRow[]).map((row): Waiting => ({
    ticketId: row.ticket_id,
    arrivedAt: Date.parse(row.arrived),
    wasInside: row.was_inside,
    takesSeat: row.role === "attendee",
    mayEnter: row.role !== "attendee" || isLetIn(scene.hour, scene.switches, row.ticket_id),
  }));
  const lucky = admit(waiting, {
    houseSize,
    seatsTaken: Number(inside.rows[0]?.["n"] ?? 0),
    doorsOpen: scene.hour.phase === "open",
    doorsHeld: scene.hour.areDoorsHeld,
  });
  if (lucky.length === 0) return lucky;
  await tx
    .insert(admissions)
    .values(lucky.map((ticketId) => ({ occurrenceId, organisationId, ticketId, admittedAt: now })))
    .onConflictDoNothing();
  await moveStays(tx, { roomId, now }, lucky, "house");
  await notifyFacts(tx, occurrenceId);
  return lucky;
}
