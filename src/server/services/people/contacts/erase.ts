import { and, eq, inArray, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import type { Db } from "../../../db/client";
import { busyCalendars, groupMembers, mailings, members, people } from "../../../db/schema";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, type Context } from "../../ground/context";
import { inBook } from "./book";

/** Lists that were pasted into mailings not yet sent forget these addresses too. */
async function forgetPasted(db: Db, personIds: readonly string[]): Promise<void> {
  const gone = await db
    .select({ email: people.email, organisationId: people.organisationId })
    .from(people)
    .where(inArray(people.id, [...personIds]));
  const addresses = gone.flatMap((row) => (row.email ? [row.email] : []));
  if (addresses.length === 0) return;
  const drafts = await db
    .select()
    .from(mailings)
    .where(
      and(
        inArray(mailings.organisationId, [...new Set(gone.map((row) => row.organisationId))]),
        sql`${mailings.audience} ->> 'pasted' <> ''`,
      ),
    )
    .limit(1000);
  for (const draft of drafts) {
    const lines = draft.audience.pasted.split("\n");
    const kept = lines.filter((line) => !addresses.some((address) => line.toLowerCase().includes(address)));
    if (kept.length < lines.length)
      await db
        .update(mailings)
        .set({ audience: { ...draft.audience, pasted: kept.join("\n") } })
        .where(eq(mailings.id, draft.id));
  }
}

/**
 * Takes everything personal of these people away: names, addresses, words they typed, mails to them,
 * their way in. Rows that figures are made of stay, with ids alone.
 */
export async function erasePeople(db: Db, personIds: readonly string[], now: number): Promise<void> {
  if (personIds.length === 0) return;
  const ids = sql.param([...personIds]);
  await forgetPasted(db, personIds);
  const nothing = { name: null, email: null, zone: null, company: "", phone: "", note: "", tags: [], erasedAt: now };
  await db
    .update(people)
    .set(nothing)
    .where(inArray(people.id, [...personIds]));
  await db.delete(groupMembers).where(inArray(groupMembers.personId, [...personIds]));
  await db.delete(busyCalendars).where(inArray(busyCalendars.personId, [...personIds]));
  await db.execute(
    sql`update questions q set text = '', answer = null from tickets t where t.id = q.asker_ticket_id and t.person_id = any(${ids}::uuid[])`,
  );
  // the record keeps that a line was written, not what it said
  await db.execute(
    sql`update chat_lines l set text = '' from tickets t where t.id = l.author_ticket_id and t.person_id = any(${ids}::uuid[])`,
  );
  await db.execute(
    sql`update tickets set answers = '{}', revoked_at = coalesce(revoked_at, ${new Date(now).toISOString()}) where person_id = any(${ids}::uuid[])`,
  );
  await db.execute(sql`delete from messages where person_id = any(${ids}::uuid[]) and state = 'planned'`);
  await db.execute(sql`update messages set rendered = null where person_id = any(${ids}::uuid[])`);
}

/** Erases one person on request. Team members leave the team first. */
export async function eraseContact(context: Context, member: TeamMember, personId: string): Promise<void> {
  requireStanding(member, "contacts.erase");
  const { organisationId } = member;
  await context.db.transaction(async (tx) => {
    const [row] = await tx
      .select({ id: people.id })
      .from(people)
      .where(and(inBook(organisationId), eq(people.id, personId)))
      .for("no key update");
    if (!row) throw notFound("contact");
    if ((await tx.$count(members, eq(members.personId, personId))) > 0)
      throw new Refusal({ code: "not-allowed", action: "contacts.erase" });
    await erasePeople(tx, [personId], context.clock.now());
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "contact.erase",
      facts: { contact: personId },
    });
  });
}
