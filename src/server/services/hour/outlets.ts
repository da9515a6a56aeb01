import { and, asc, eq, sql } from "drizzle-orm";
import { mostOutlets, outletInput, type OutletLine } from "@/contracts";
import { outletLeaseMs, outletRetryMs, type OutletState } from "@/core/programme";
import type { Db } from "../../db/client";
import { outlets } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, parse, wrongInput, type Context } from "../ground/context";

type OutletRow = typeof outlets.$inferSelect;

/** The places that an event's programme is sent to, and how it goes, for the team. */
export async function outletsFor(
  context: Context,
  member: TeamMember,
  eventId: string,
): Promise<readonly OutletLine[]> {
  await accessFor(context, member, eventId, "event.read");
  return context.db
    .select({
      id: outlets.id,
      name: outlets.name,
      address: outlets.address,
      isOn: outlets.isOn,
      state: outlets.state,
    })
    .from(outlets)
    .where(eq(outlets.eventId, eventId))
    .orderBy(asc(outlets.createdAt))
    .limit(mostOutlets);
}

/** Adds one; its key is sealed, and shown to nobody again. */
export async function addOutlet(
  context: Context,
  member: TeamMember,
  eventId: string,
  rawInput: unknown,
): Promise<void> {
  const { event } = await accessFor(context, member, eventId, "event.plan");
  const { name, address, key } = parse(outletInput, rawInput);
  await context.db.transaction(async (tx) => {
    if ((await tx.$count(outlets, eq(outlets.eventId, eventId))) >= mostOutlets)
      throw wrongInput("address", "too-many", { most: mostOutlets });
    await tx.insert(outlets).values({
      id: context.ids.id(),
      organisationId: event.organisationId,
      eventId,
      ...{ name, address, keySealed: context.secrets.seal(key) },
      createdAt: context.clock.now(),
    });
    await noted({ ...context, db: tx }, tx, member, eventId, "outlet.add");
  });
}

async function ownOutlet(context: Context, member: TeamMember, eventId: string, id: string): Promise<OutletRow> {
  await accessFor(context, member, eventId, "event.plan");
  const [row] = await context.db
    .select()
    .from(outlets)
    .where(and(eq(outlets.id, id), eq(outlets.eventId, eventId)));
  if (!row) throw notFound("outlet");
  return row;
}

/** Sends there from now on, or not any more; the process that sends hears of it within seconds. */
export async function switchOutlet(
  context: Context,
  member: TeamMember,
  eventId: string,
  id: string,
  isOn: boolean,
): Promise<void> {
  await ownOutlet(context, member, eventId, id);
  const anew = { isOn, state: "waits" as const, stateAt: context.clock.now(), failures: 0, nextTryAt: null };
  await context.db.update(outlets).set(anew).where(eq(outlets.id, id));
  await noted(context, context.db, member, eventId, isOn ? "outlet.on" : "outlet.off");
}

export async function removeOutlet(context: Context, member: TeamMember, eventId: string, id: string): Promise<void> {
  await ownOutlet(context, member, eventId, id);
  await context.db.delete(outlets).where(eq(outlets.id, id));
  await noted(context, context.db, member, eventId, "outlet.remove");
}

const noted = (context: Context, db: Db, member: TeamMember, eventId: string, action: string) =>
  audit(context, db, { organisationId: member.organisationId, actorId: member.userId, action, eventId });

/** One that this process sends to now. */
export interface HeldOutlet {
  readonly id: string;
  readonly occurrenceId: string;
  readonly address: string;
  readonly keySealed: string;
  readonly failures: number;
  /** whether it is time to begin, where nothing is sent yet */
  readonly isDue: boolean;
}

/**
 * Takes or renews the lease of every place that is on and whose event has a date with open doors: of two processes
 * one has each. A rehearsal goes nowhere.
 */
export async function holdOutlets({ db, clock }: Context, holderId: string): Promise<readonly HeldOutlet[]> {
  const now = clock.now();
  const iso = (ms: number) => new Date(ms).toISOString();
  const { rows } = await db.execute(sql`
    with free as (
      select o.id, d.id as occurrence_id from outlets o
        join events e on e.id = o.event_id and e.deleted_at is null
        join lateral (select id from occurrences where event_id = e.id and phase = 'open' and kind <> 'rehearsal'
          order by start_at limit 1) d on true
      where o.is_on and (o.holder_id is null or o.holder_id = ${holderId} or o.renewed_at < ${iso(now - outletLeaseMs)}::timestamptz)
      order by o.id limit 50 for update of o skip locked)
    update outlets set holder_id = ${holderId}, renewed_at = ${iso(now)}::timestamptz
    from free where outlets.id = free.id
    returning outlets.id, free.occurrence_id, outlets.address, outlets.key_sealed, outlets.failures,
      (outlets.next_try_at is null or outlets.next_try_at <= ${iso(now)}::timestamptz) as is_due`);
  return rows.map((row) => ({
    id: String(row["id"]),
    occurrenceId: String(row["occurrence_id"]),
    address: String(row["address"]),
    keySealed: String(row["key_sealed"]),
    failures: Number(row["failures"]),
    isDue: row["is_due"] === true,
  }));
}

/** How it goes with one, as the team sees it. A try that came to nothing makes the next one wait longer. */
export async function noteOutlet(
  { db, clock }: Context,
  id: string,
  state: OutletState,
  failures: number,
): Promise<void> {
  const now = clock.now();
  const nextTryAt = failures === 0 ? null : now + outletRetryMs(failures);
  await db.update(outlets).set({ state, stateAt: now, failures, nextTryAt }).where(eq(outlets.id, id));
}

/** Gives the lease back: another process may send at once. */
export async function releaseOutlets({ db }: Context, holderId: string): Promise<void> {
  await db.update(outlets).set({ holderId: null, state: "waits" }).where(eq(outlets.holderId, holderId));
}
