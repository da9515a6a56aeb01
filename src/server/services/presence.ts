import { and, eq, inArray, isNull, lt, sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { isStageRole, type Role } from "@/core/people";
import { notifyFacts } from "../db/notify";
import { loadScene } from "../db/queries/command-scene";
import { admissions, connections, rooms } from "../db/schema";
import { admitWaiting } from "./admissions";
import type { Context } from "./context";

export interface NewConnection {
  readonly organisationId: string;
  readonly occurrenceId: string;
  readonly ticketId: string;
  readonly role: Role;
  readonly device: string;
  /** whether somebody who was inside before may walk straight back in */
  readonly mayReturn: boolean;
}

/** A device comes in. Stage people are in at once; the audience stands in the foyer until admitted. */
export async function openConnection(
  context: Context,
  one: NewConnection,
): Promise<{ connectionId: string; isInside: boolean }> {
  const now = context.clock.now();
  const connectionId = context.ids.id();
  const wasInside = one.mayReturn && (await wasAdmitted(context, one.occurrenceId, one.ticketId));
  const isInside = isStageRole(one.role) || wasInside;
  const { organisationId, occurrenceId, ticketId, role, device } = one;
  await context.db.insert(connections).values({
    id: connectionId,
    organisationId,
    occurrenceId,
    ticketId,
    role,
    device,
    chainId: ticketId,
    inAt: now,
    lastSignAt: now,
    houseFromAt: isInside ? now : null,
  });
  return { connectionId, isInside };
}

async function wasAdmitted(context: Context, occurrenceId: string, ticketId: string): Promise<boolean> {
  const rows = await context.db
    .select({ at: admissions.admittedAt })
    .from(admissions)
    .where(and(eq(admissions.occurrenceId, occurrenceId), eq(admissions.ticketId, ticketId)));
  return rows.length > 0;
}

/** A device says goodbye. */
export async function closeConnection(context: Context, connectionId: string): Promise<void> {
  const now = context.clock.now();
  await context.db
    .update(connections)
    .set({ outAt: now, lastSignAt: now })
    .where(and(eq(connections.id, connectionId), isNull(connections.outAt)));
}

/** Signs of life, gathered and written in one statement a second. */
export class SignBook {
  private readonly signs = new Map<string, number>();
  constructor(private readonly context: Context) {}

  sign(connectionId: string): void {
    this.signs.set(connectionId, this.context.clock.now());
  }

  /** Writes what has gathered; what cannot be written now is kept for the next time. */
  async flush(): Promise<void> {
    if (this.signs.size === 0) return;
    const batch = [...this.signs];
    this.signs.clear();
    const ids = sql.param(batch.map(([id]) => id));
    const times = sql.param(batch.map(([, at]) => new Date(at).toISOString()));
    try {
      await this.context.db.execute(sql`update connections c set last_sign_at = greatest(c.last_sign_at, s.at)
        from unnest(${ids}::uuid[], ${times}::timestamptz[]) as s(id, at) where c.id = s.id and c.out_at is null`);
    } catch (error) {
      for (const [id, at] of batch) if (!this.signs.has(id)) this.signs.set(id, at);
      throw error;
    }
  }
}

/** Connections without a sign for too long end at their last one. Safe to run by every process. */
export async function closeLost(context: Context): Promise<void> {
  const lost = await context.db
    .update(connections)
    .set({ outAt: sql`${connections.lastSignAt}` })
    .where(and(isNull(connections.outAt), lt(connections.lastSignAt, context.clock.now() - signLostAfterMs)))
    .returning({ occurrenceId: connections.occurrenceId });
  for (const id of new Set(lost.map((row) => row.occurrenceId))) await notifyFacts(context.db, id);
}

/** Lets the foyer in as far as seats go, under the room's lock. */
export async function admitToHouse(context: Context, occurrenceId: string): Promise<number> {
  return context.db.transaction(async (tx) => {
    const [room] = await tx
      .select()
      .from(rooms)
      .where(inArray(rooms.occurrenceId, [occurrenceId]))
      .for("update");
    const scene = await loadScene(tx, occurrenceId);
    if (!room || !scene) return 0;
    return (await admitWaiting(context, tx, scene, room.organisationId)).length;
  });
}
