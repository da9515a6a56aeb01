import { and, eq, inArray, sql } from "drizzle-orm";
import { mergeInput, type MergeInput } from "@/contracts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../../db/client";
import { groupMembers, members, people } from "../../../db/schema";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, parse, type Context } from "../../ground/context";
import { inBook } from "./book";
import { erasePeople, noteErased } from "./erase";
import { newLinks, requireOwnStage } from "./foreign-stage";

type Person = typeof people.$inferSelect;

/** Where both hold a ticket for one date and only the other's still counts, the kept one's takes its standing over. */
const takeStandingOver = (tx: Db, keepId: string, goneId: string) =>
  tx.execute(sql`
    update tickets k set status = x.status, waiting_since = x.waiting_since, registered_at = x.registered_at, role = x.role, duties = x.duties, languages = x.languages, revoked_at = null
    from tickets x where k.person_id = ${keepId} and x.person_id = ${goneId} and k.event_id = x.event_id and k.occurrence_id is not distinct from x.occurrence_id
      and x.revoked_at is null and x.status in ('registered', 'waiting', 'pending') and (k.revoked_at is not null or k.status in ('cancelled', 'declined'))`);

/** Tickets move, and with each what is planned for it; where both hold one for the same date, the other is withdrawn. */
async function moveTickets(tx: Db, keepId: string, goneId: string, now: string): Promise<void> {
  await takeStandingOver(tx, keepId, goneId);
  const twin = sql`k.person_id = ${keepId} and k.event_id = x.event_id and k.occurrence_id is not distinct from x.occurrence_id`;
  // what the kept ticket has planned already stays; the rest of the withdrawn one's goes over to it
  await tx.execute(sql`
    update messages m set person_id = ${keepId}, ticket_id = k.id from tickets x join tickets k on ${twin}
    where m.ticket_id = x.id and x.person_id = ${goneId} and m.state = 'planned'
      and not exists (select 1 from messages o where o.person_id = ${keepId} and o.kind = m.kind and o.occurrence_id is not distinct from m.occurrence_id and o.planned_due_at = m.planned_due_at)`);
  await tx.execute(
    sql`update tickets x set revoked_at = coalesce(revoked_at, ${now}) where person_id = ${goneId} and exists (select 1 from tickets k where ${twin})`,
  );
  // what was said by the withdrawn ticket was said by the kept one's holder
  for (const [table, column] of [
    ["questions", "asker_ticket_id"],
    ["chat_lines", "author_ticket_id"],
    ["ink_acts", "author_ticket_id"],
    ["caption_lines", "author_ticket_id"],
  ] as const)
    await tx.execute(sql`
      update ${sql.identifier(table)} w set ${sql.identifier(column)} = k.id from tickets x join tickets k on ${twin}
      where w.${sql.identifier(column)} = x.id and x.person_id = ${goneId}`);
  // a moved ticket was sent to the other address: its old links are dead
  await tx.execute(sql`
    update tickets x set person_id = ${keepId}, link_version = link_version + 1
    where person_id = ${goneId} and not exists (select 1 from tickets k where ${twin})`);
}

/** Mails go along, but for those of which the kept one has its own; a planned one of these goes. */
async function moveMessages(tx: Db, keepId: string, goneId: string): Promise<void> {
  await tx.execute(sql`
    update messages m set person_id = ${keepId} where m.person_id = ${goneId}
      and not exists (select 1 from messages o where o.person_id = ${keepId} and o.kind = m.kind and o.mailing_id is not distinct from m.mailing_id and o.occurrence_id is not distinct from m.occurrence_id and o.question_id is not distinct from m.question_id and (o.planned_due_at = m.planned_due_at or m.state in ('planned', 'held') and m.mailing_id is not null))`);
  await tx.execute(sql`delete from messages where person_id = ${goneId} and state in ('planned', 'held')`);
}

async function moveTheRest(tx: Db, keepId: string, goneId: string): Promise<void> {
  await tx.execute(
    sql`delete from invitees x where person_id = ${goneId} and exists (select 1 from invitees k where k.person_id = ${keepId} and k.event_id = x.event_id)`,
  );
  for (const table of ["invitees", "stays", "consents", "busy_calendars"])
    await tx.execute(sql`update ${sql.identifier(table)} set person_id = ${keepId} where person_id = ${goneId}`);
  await tx.execute(
    sql`insert into group_members (group_id, person_id, organisation_id) select group_id, ${keepId}, organisation_id from group_members where person_id = ${goneId} on conflict do nothing`,
  );
  await tx.delete(groupMembers).where(eq(groupMembers.personId, goneId));
}

/** The kept one's words: chosen ones of the other, and the other's where there was nothing. */
function wordsOf(keep: Person, gone: Person, takeFromGone: MergeInput["takeFromGone"]): Partial<Person> {
  const taken = Object.fromEntries(takeFromGone.map((field) => [field, gone[field]]));
  const mark = takeFromGone.includes("email")
    ? { addressFailedAt: gone.addressFailedAt, addressFailedReason: gone.addressFailedReason }
    : {};
  return {
    company: keep.company || gone.company,
    phone: keep.phone || gone.phone,
    zone: keep.zone ?? gone.zone,
    tags: [...new Set([...keep.tags, ...gone.tags])],
    note: [keep.note, gone.note].filter(Boolean).join("\n").slice(0, 2000),
    // a merge never brings mail back
    unsubscribedAt: keep.unsubscribedAt ?? gone.unsubscribedAt,
    ...mark,
    ...taken,
  };
}

/**
 * Makes two contacts one. Tickets, invitations, mails and entries move to the kept one; where both hold
 * a ticket for the same date, the kept one's stands (with the better standing of the two) and the other
 * is withdrawn. Who had unsubscribed stays unsubscribed.
 */
export async function mergeContacts(context: Context, member: TeamMember, rawChoice: unknown): Promise<void> {
  requireStanding(member, "contacts.edit");
  const { organisationId } = member;
  const { keepId, goneId, takeFromGone } = parse(mergeInput, rawChoice);
  await context.db.transaction(async (tx) => {
    const rows = await tx
      .select()
      .from(people)
      .where(and(inBook(organisationId), inArray(people.id, [keepId, goneId])))
      .for("no key update");
    const [keep, gone] = [rows.find((row) => row.id === keepId), rows.find((row) => row.id === goneId)];
    if (!keep || !gone) throw notFound("contact");
    if ((await tx.$count(members, eq(members.personId, goneId))) > 0)
      throw new Refusal({ code: "not-allowed", action: "contacts.merge" });
    await requireOwnStage(tx, member, [keepId, goneId], "contacts.merge");
    const hasOtherAddress = takeFromGone.includes("email") && keep.email !== gone.email;
    await moveTickets(tx, keepId, goneId, new Date(context.clock.now()).toISOString());
    // links that were sent to an address that is no longer theirs are dead
    if (hasOtherAddress) await newLinks(tx, [keepId]);
    await moveMessages(tx, keepId, goneId);
    await moveTheRest(tx, keepId, goneId);
    // the address has to be free before the kept one can take it; of the twin nothing personal stays
    await erasePeople(tx, [goneId], context.clock.now());
    await tx
      .update(people)
      .set(wordsOf(keep, gone, takeFromGone))
      .where(eq(people.id, keepId));
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "contacts.merge",
      facts: { kept: keepId, gone: goneId },
    });
  });
  await noteErased(context, [goneId]);
}
