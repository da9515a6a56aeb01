import { sql } from "drizzle-orm";
import { dayMs } from "@/core/time";
import { requireStanding, type TeamMember } from "../../ground/access";
import type { Context } from "../../ground/context";

export interface ContactEvent {
  readonly eventId: string;
  readonly title: string;
  readonly startAt: number | null;
  readonly zone: string | null;
  readonly role: string;
  /** invited, registered, waiting, cancelled, … */
  readonly status: string;
  readonly reply: string | null;
  /** minutes between first in and last out, devices folded; 0: did not come */
  readonly minutesInside: number;
}

/** Somebody's events, newest first: invited, registered, came and for how long. */
export async function contactHistory(
  context: Context,
  member: TeamMember,
  personId: string,
): Promise<readonly ContactEvent[]> {
  requireStanding(member, "contacts.read");
  const { rows } = await context.db.execute(sql`
    with own as (
      select t.event_id, coalesce(t.occurrence_id, o.id) as date_id, t.id as ticket_id, t.role, t.status, t.reply
      from tickets t left join occurrences o on o.event_id = t.event_id and t.occurrence_id is null and o.kind = 'show'
      where t.person_id = ${personId} and t.organisation_id = ${member.organisationId} and t.role <> 'test-guest'
      union all
      select i.event_id, null, null, 'invitee', 'invited', i.reply from invitees i
      where i.person_id = ${personId} and i.organisation_id = ${member.organisationId}
        and not exists (select 1 from tickets t where t.person_id = i.person_id and t.event_id = i.event_id)
    )
    select own.event_id, e.title, d.start_at, d.zone, own.role, own.status, own.reply,
      coalesce((select extract(epoch from sum(upper(r) - lower(r))) / 60 from unnest((select range_agg(tstzrange(c.from_at, greatest(c.from_at, coalesce(c.to_at, c.last_sign_at)))) from stays c
        where c.ticket_id = own.ticket_id and c.occurrence_id = own.date_id and c.place <> 'foyer')) as r), 0)::float as minutes
    from own join events e on e.id = own.event_id and e.deleted_at is null left join occurrences d on d.id = own.date_id
    where d.start_at is null or d.start_at < ${new Date(context.clock.now() + 400 * dayMs).toISOString()}
    order by d.start_at desc nulls first limit 100`);
  return rows.map((row) => ({
    eventId: String(row["event_id"]),
    title: String(row["title"]),
    startAt: row["start_at"] ? new Date(row["start_at"] as string).getTime() : null,
    zone: (row["zone"] as string | null) ?? null,
    role: String(row["role"]),
    status: String(row["status"]),
    reply: (row["reply"] as string | null) ?? null,
    minutesInside: Math.round(Number(row["minutes"])),
  }));
}
