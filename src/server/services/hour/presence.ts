import { and, eq, isNull, lt, sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { isStageRole, type Role } from "@/core/people";
import type { Place } from "@/core/room";
import { seatsLetInUnderLock } from "@/core/seats";
import { notifyFacts } from "../../db/notify";
import { loadScene } from "../../db/queries/command-scene";
import { isCountedRole, isStage } from "../../db/queries/roles";
import { loadRoom, roomOf } from "../../db/queries/journal";
import { rooms, stays } from "../../db/schema";
import { admitWaiting } from "../ground/room/admissions";
import type { Context } from "../ground/context";

export interface NewConnection {
  readonly organisationId: string;
  readonly occurrenceId: string;
  readonly ticketId: string;
  readonly role: Role;
  readonly device: string;
  /** whether somebody who was let in before may walk straight back in; `ask`: as far as seats go, by the tables */
  readonly mayReturn: boolean | "ask";
  /** where somebody of the stage stands, where the process knows the room */
  readonly stagePlace: Place | "ask";
}

/** Where somebody of the stage stands already: a device that comes back does not move them. */
async function stagePlaceOf(context: Context, { occurrenceId, ticketId, stagePlace }: NewConnection): Promise<Place> {
  if (stagePlace !== "ask") return stagePlace;
  return (await roomOf(context.db, occurrenceId)).stage.people.get(ticketId)?.place ?? "backstage";
}

/**
 * A device comes in: one statement. Stage people are in at once. The audience stands in the foyer until
 * admitted; whoever was let in before comes straight back where a device of theirs is inside, or there is
 * room: never over the house's size.
 */
export async function openConnection(
  context: Context,
  one: NewConnection,
): Promise<{ connectionId: string; isInside: boolean }> {
  const connectionId = context.ids.id();
  const now = new Date(context.clock.now()).toISOString();
  const alive = new Date(context.clock.now() - signLostAfterMs).toISOString();
  const { organisationId, occurrenceId, ticketId, role, device, mayReturn } = one;
  const inside = sql`c.occurrence_id = ${occurrenceId} and c.to_at is null and c.last_sign_at > ${alive} and c.place <> 'foyer'`;
  const hasRoom =
    mayReturn === "ask"
      ? sql`(select count(distinct c.ticket_id) from stays c where ${inside} and ${isCountedRole(sql`c.role`)}) + ${seatsLetInUnderLock}
          < (select e.house_size from occurrences o join events e on e.id = o.event_id where o.id = ${occurrenceId})`
      : sql`${mayReturn}::boolean`;
  const place = isStageRole(role)
    ? sql`${await stagePlaceOf(context, one)}`
    : sql`case when exists (select 1 from admissions a where a.occurrence_id = ${occurrenceId} and a.ticket_id = ${ticketId})
        and (exists (select 1 from stays c where ${inside} and c.ticket_id = ${ticketId}) or ${role} = 'test-guest' or ${hasRoom}) then 'house' else 'foyer' end`;
  const { rows } = await context.db.execute(sql`
    insert into stays (id, connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, place, from_at, last_sign_at)
    select ${connectionId}, ${connectionId}, ${organisationId}, ${occurrenceId}, r.id, ${ticketId}, ${role}, ${device}, ${ticketId},
      ${place}, ${now}::timestamptz, ${now}::timestamptz
    from rooms r where r.occurrence_id = ${occurrenceId} and r.parent_id is null
    returning place <> 'foyer' as inside`);
  return { connectionId, isInside: rows[0]?.["inside"] === true };
}

/** A device says goodbye. */
export async function closeConnection(context: Context, connectionId: string): Promise<void> {
  const now = context.clock.now();
  await context.db
    .update(stays)
    .set({ toAt: now, lastSignAt: now })
    .where(and(eq(stays.connectionId, connectionId), isNull(stays.toAt)));
}

/** Signs of life, gathered and written in one statement a tick. */
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
    try {
      await writeSigns(this.context, batch);
    } catch (error) {
      for (const [id, at] of batch) if (!this.signs.has(id)) this.signs.set(id, at);
      throw error;
    }
  }
}

/**
 * A sign on an open interval carries it on. One on an interval that was closed as lost (a hidden tab, an
 * outage) opens a new one where the stream stood, unless the date has ended or the person was shown out;
 * a seat is asked for again.
 */
async function writeSigns(context: Context, batch: readonly (readonly [string, number])[]): Promise<void> {
  const ids = sql.param(batch.map(([id]) => id));
  const times = sql.param(batch.map(([, at]) => new Date(at).toISOString()));
  await context.db.execute(sql`
    with signs as (select * from unnest(${ids}::uuid[], ${times}::timestamptz[]) as s(id, at)),
    carried as (
      update stays c set last_sign_at = greatest(c.last_sign_at, s.at) from signs s
      where c.connection_id = s.id and c.to_at is null returning c.connection_id),
    closed as (
      select distinct on (c.connection_id) c.*, s.at from stays c join signs s on s.id = c.connection_id
      where not exists (select 1 from carried k where k.connection_id = c.connection_id)
      order by c.connection_id, c.from_at desc, c.to_at desc)
    insert into stays (id, connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, place, from_at, last_sign_at)
    select gen_random_uuid(), l.connection_id, l.organisation_id, l.occurrence_id, l.room_id, l.ticket_id, l.role, l.device, l.chain_id,
      case when ${isStage(sql`l.role`)} then l.place else 'foyer' end, l.at, l.at
    from closed l join occurrences o on o.id = l.occurrence_id left join tickets t on t.id = l.ticket_id
    where l.at > l.to_at and o.phase in ('scheduled', 'backstage', 'open') and t.barred_at is null and t.revoked_at is null`);
}

/** Connections without a sign for too long end at their last one. Safe to run by every process. @param graceMs how much longer to wait */
export async function closeLost(context: Context, graceMs = 0): Promise<void> {
  const lost = await context.db
    .update(stays)
    .set({ toAt: sql`${stays.lastSignAt}` })
    .where(and(isNull(stays.toAt), lt(stays.lastSignAt, context.clock.now() - signLostAfterMs - graceMs)))
    .returning({ occurrenceId: stays.occurrenceId });
  for (const id of new Set(lost.map((row) => row.occurrenceId))) await notifyFacts(context.db, id);
}

/** Lets the foyer in as far as seats go, under the room's lock. */
export async function admitToHouse(context: Context, occurrenceId: string): Promise<number> {
  return context.db.transaction(async (tx) => {
    const [room] = await tx
      .select()
      .from(rooms)
      .where(and(eq(rooms.occurrenceId, occurrenceId), isNull(rooms.parentId)))
      .for("no key update");
    const scene = await loadScene(tx, occurrenceId);
    if (!room || !scene) return 0;
    const { hour } = await loadRoom(tx, room.id);
    return (
      await admitWaiting(context, tx, { ...scene, hour }, { roomId: room.id, organisationId: room.organisationId })
    ).length;
  });
}
