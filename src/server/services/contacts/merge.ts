import { and, eq, inArray, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import { groupMembers, members, people } from "../../db/schema";
import { requireStanding, type TeamMember } from "../access";
import { audit } from "../audit";
import { notFound, type Context } from "../context";
import { inBook } from "./book";

/** Which of the two a merged contact keeps each word of. */
export interface MergeChoice {
  readonly keepId: string;
  readonly goneId: string;
  /** the name, address, company, phone and zone of the one that goes, where they are wanted */
  readonly takeFromGone: readonly ("name" | "email" | "company" | "phone" | "zone")[];
}

const tables = ["connections", "consents", "busy_calendars", "messages"] as const;

/**
 * Makes two contacts one. Tickets, invitations, mails and entries move to the kept one; where both hold
 * one for the same date, the kept one's stands and the other is withdrawn. Who had unsubscribed stays
 * unsubscribed: a merge never brings mail back.
 */
export async function mergeContacts(context: Context, member: TeamMember, { keepId, goneId, takeFromGone }: MergeChoice): Promise<void> {
  requireStanding(member, "contacts.edit");
  const { organisationId } = member;
  if (keepId === goneId) throw new Refusal({ code: "already-done", action: "contacts.merge" });
  const now = new Date(context.clock.now()).toISOString();
  await context.db.transaction(async (tx) => {
    const rows = await tx.select().from(people).where(and(inBook(organisationId), inArray(people.id, [keepId, goneId]))).for("update");
    const [keep, gone] = [rows.find((row) => row.id === keepId), rows.find((row) => row.id === goneId)];
    if (!keep || !gone) throw notFound("contact");
    if ((await tx.$count(members, eq(members.personId, goneId))) > 0) throw new Refusal({ code: "not-allowed", action: "contacts.merge" });
    const same = (table: string, date: string) => sql.raw(`exists (select 1 from ${table} k where k.person_id = '${keep.id}' and k.event_id = x.event_id and ${date})`);
    await tx.execute(sql`update tickets x set revoked_at = coalesce(revoked_at, ${now}) where person_id = ${goneId} and ${same("tickets", "k.occurrence_id is not distinct from x.occurrence_id")}`);
    await tx.execute(sql`update tickets x set person_id = ${keepId} where person_id = ${goneId} and not ${same("tickets", "k.occurrence_id is not distinct from x.occurrence_id")}`);
    await tx.execute(sql`delete from invitees x where person_id = ${goneId} and ${same("invitees", "true")}`);
    await tx.execute(sql`update invitees set person_id = ${keepId} where person_id = ${goneId}`);
    await tx.execute(sql`delete from messages where person_id = ${goneId} and state = 'planned'`);
    for (const table of tables) await tx.execute(sql`update ${sql.identifier(table)} set person_id = ${keepId} where person_id = ${goneId} and not ${table === "messages" ? sql`exists (select 1 from messages k where k.person_id = ${keepId} and k.kind = messages.kind and k.planned_due_at = messages.planned_due_at and k.occurrence_id is not distinct from messages.occurrence_id)` : sql`false`}`);
    await tx.execute(sql`insert into group_members (group_id, person_id, organisation_id) select group_id, ${keepId}, organisation_id from group_members where person_id = ${goneId} on conflict do nothing`);
    await tx.delete(groupMembers).where(eq(groupMembers.personId, goneId));
    // the address has to be free before the kept one can take it
    await tx.update(people).set({ name: null, email: null, zone: null, company: "", phone: "", note: "", tags: [], erasedAt: context.clock.now() }).where(eq(people.id, goneId));
    const taken = Object.fromEntries(takeFromGone.map((field) => [field, gone[field]]));
    const empty = { company: keep.company || gone.company, phone: keep.phone || gone.phone, zone: keep.zone ?? gone.zone };
    const more = { tags: [...new Set([...keep.tags, ...gone.tags])], note: [keep.note, gone.note].filter(Boolean).join("\n").slice(0, 2000), unsubscribedAt: keep.unsubscribedAt ?? gone.unsubscribedAt };
    await tx.update(people).set({ ...empty, ...more, ...taken }).where(eq(people.id, keepId));
    await audit(context, tx, { organisationId, actorId: member.userId, action: "contacts.merge", facts: { kept: keepId, gone: goneId } });
  });
}
