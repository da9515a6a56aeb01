import { and, eq, isNull, lt, sql } from "drizzle-orm";
import { signLostAfterMs } from "@/contracts";
import { isStageRole, over, type Role } from "@/core/people";
import type { Place } from "@/core/room";
import { seatsLetInUnderLock } from "@/core/seats";
import { notifyFacts } from "../../db/notify";
import { executeNamed } from "../../db/named";
import { anyOf, idArray } from "../../db/queries/any-of";
import { loadScene } from "../../db/queries/command-scene";
import { lasts } from "../../db/queries/lasting-stays";
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

export interface Opened {
  readonly connectionId: string;
  readonly isInside: boolean;
}

/** What the statement is told of each who comes, as its columns are named. */
async function rowsOf(context: Context, comers: readonly NewConnection[]) {
  const places = await Promise.all(
    comers.map(async (one) => (isStageRole(one.role) ? await stagePlaceOf(context, one) : null)),
  );
  return comers.map((one, n) => ({
    n,
    id: context.ids.id(),
    organisation_id: one.organisationId,
    occurrence_id: one.occurrenceId,
    ticket_id: one.ticketId,
    role: one.role,
    device: one.device,
    may_return: one.mayReturn === "ask" ? "ask" : one.mayReturn ? "yes" : "no",
    stage_place: places[n],
  }));
}

/**
 * Devices come in: one statement, whatever their number. Stage people are in at once. The audience stands in the
 * foyer until admitted; whoever was let in before comes straight back where a device of theirs is inside, or there
 * is room, those before them counted: never over the house's size. A date that is over keeps nobody.
 */
export async function openConnections(context: Context, comers: readonly NewConnection[]): Promise<readonly Opened[]> {
  const now = new Date(context.clock.now()).toISOString();
  const alive = new Date(context.clock.now() - signLostAfterMs).toISOString();
  const coming = await rowsOf(context, comers);
  const isOverNow = sql`d.phase = any(${sql.param([...over])}::text[])`;
  const isThere = sql`c.last_sign_at > ${alive}::timestamptz and c.place <> 'foyer'`;
  const { rows } = await executeNamed(
    context.db,
    sql`
    with w as (
      select *, row_number() over (partition by occurrence_id, may_return order by n) as nth
      from jsonb_to_recordset(${JSON.stringify(coming)}::jsonb) as w(n int, id uuid, organisation_id uuid, occurrence_id uuid,
        ticket_id uuid, role text, device text, may_return text, stage_place text)),
    taken as materialized (
      select c.occurrence_id, count(distinct c.ticket_id) as seats from stays c
      where c.occurrence_id in (select occurrence_id from w where may_return = 'ask') and c.to_at is null
        and ${isThere} and ${isCountedRole(sql`c.role`)} group by c.occurrence_id),
    came as (insert into stays (id, connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, place, from_at, last_sign_at, to_at)
    select w.id, w.id, w.organisation_id, w.occurrence_id, r.id, w.ticket_id, w.role, w.device, w.ticket_id,
      case when ${isOverNow} then 'foyer' when w.stage_place is not null then w.stage_place
        when exists (select 1 from admissions a where a.occurrence_id = w.occurrence_id and a.ticket_id = w.ticket_id)
          and (w.may_return = 'yes' or w.role = 'test-guest'
            or exists (select 1 from stays c where c.ticket_id = w.ticket_id and c.occurrence_id = w.occurrence_id
              and ${lasts(sql`c.to_at`)} and ${isThere})
            or (w.may_return = 'ask' and w.nth + ${seatsLetInUnderLock}::int
              + coalesce((select seats from taken k where k.occurrence_id = w.occurrence_id), 0)
              <= (select e.house_size from occurrences o join events e on e.id = o.event_id where o.id = w.occurrence_id)))
        then 'house' else 'foyer' end, ${now}::timestamptz, ${now}::timestamptz, case when ${isOverNow} then ${now}::timestamptz end
    from w join occurrences d on d.id = w.occurrence_id join rooms r on r.occurrence_id = w.occurrence_id and r.parent_id is null
    returning id, place)
    select coalesce(json_agg(id) filter (where place <> 'foyer'), '[]') as inside from came`,
  );
  const inside = new Set(rows[0]!["inside"] as string[]);
  return coming.map(({ id }) => ({ connectionId: id, isInside: inside.has(id) }));
}

/** One device comes in. */
export const openConnection = async (context: Context, one: NewConnection): Promise<Opened> =>
  (await openConnections(context, [one]))[0]!;

/** Devices say goodbye. */
export async function closeConnections(context: Context, connectionIds: readonly string[]): Promise<void> {
  const now = context.clock.now();
  await context.db
    .update(stays)
    .set({ toAt: now, lastSignAt: now })
    .where(and(anyOf(stays.connectionId, connectionIds), lasts(stays.toAt)));
}

/** One device says goodbye. */
export const closeConnection = (context: Context, connectionId: string): Promise<void> =>
  closeConnections(context, [connectionId]);

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
  const ids = idArray(batch.map(([id]) => id));
  const times = sql.param(batch.map(([, at]) => new Date(at).toISOString()));
  // planned anew each time: for so many, and for a table as large as it is now
  await context.db.execute(
    sql`
    with signs as (select * from unnest(${ids}, ${times}::timestamptz[]) as s(id, at)),
    carried as (
      update stays c set last_sign_at = greatest(c.last_sign_at, s.at) from signs s
      where c.connection_id = s.id and ${lasts(sql`c.to_at`)}),
    latest as (
      select distinct on (c.connection_id) c.*, s.at from stays c join signs s on s.id = c.connection_id
      order by c.connection_id, c.from_at desc, c.to_at desc)
    insert into stays (id, connection_id, organisation_id, occurrence_id, room_id, ticket_id, role, device, chain_id, place, from_at, last_sign_at)
    select gen_random_uuid(), l.connection_id, l.organisation_id, l.occurrence_id, l.room_id, l.ticket_id, l.role, l.device, l.chain_id,
      case when ${isStage(sql`l.role`)} then l.place else 'foyer' end, l.at, l.at
    from latest l join occurrences o on o.id = l.occurrence_id left join tickets t on t.id = l.ticket_id
    where l.at > l.to_at and o.phase in ('scheduled', 'backstage', 'open') and t.barred_at is null and t.revoked_at is null`,
  );
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
