import { and, eq, inArray, isNull, sql } from "drizzle-orm";
import { Refusal } from "@/core/shared";
import type { Db } from "../../../db/client";
import { anyOf, idArray } from "../../../db/queries/any-of";
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
        sql`(${mailings.audience} ->> 'pasted' <> '' or jsonb_array_length(coalesce(${mailings.audience} -> 'except', '[]')) > 0)`,
      ),
    )
    .limit(1000);
  for (const draft of drafts) {
    const lines = draft.audience.pasted.split("\n");
    const kept = lines.filter((line) => !addresses.some((address) => line.toLowerCase().includes(address)));
    const named = draft.audience.except ?? [];
    const except = named.filter((one) => !addresses.includes(one.toLowerCase()));
    if (kept.length < lines.length || except.length < named.length)
      await db
        .update(mailings)
        .set({ audience: { ...draft.audience, pasted: kept.join("\n"), except } })
        .where(eq(mailings.id, draft.id));
  }
}

/** Where it is written down, beside the database, who was erased: a restore of an older state must not bring them back. */
export const erasureLog = "erasures.log";

/** After the erasure has been committed. */
export async function noteErased(
  { storage, clock }: Pick<Context, "storage" | "clock">,
  personIds: readonly string[],
): Promise<void> {
  const at = new Date(clock.now()).toISOString();
  for (const id of personIds) await storage.append(erasureLog, `${at} ${id}`);
}

/** Erases again whom a restored state still has. @returns how many there were */
export async function replayErasures(context: Context): Promise<number> {
  const ids = (await context.storage.lines(erasureLog)).map((line) => line.split(" ")[1] ?? "");
  const back = await context.db
    .select({ id: people.id })
    .from(people)
    .where(
      and(
        anyOf(
          people.id,
          ids.filter((id) => /^[0-9a-f-]{36}$/.test(id)),
        ),
        isNull(people.erasedAt),
      ),
    );
  const again = back.map((row) => row.id);
  await context.db.transaction((tx) => erasePeople(tx, again, context.clock.now()));
  return again.length;
}

/**
 * Takes everything personal of these people away: names, addresses, words they typed, mails to them,
 * their way in. Rows that figures are made of stay, with ids alone. What becomes of which column stands in
 * `personal-data`.
 */
export async function erasePeople(db: Db, personIds: readonly string[], now: number): Promise<void> {
  if (personIds.length === 0) return;
  const ids = idArray(personIds);
  const ownTickets = sql`(select id from tickets where person_id = any(${ids}))`;
  await forgetPasted(db, personIds);
  // while their address is still known
  await db.execute(sql`
    delete from letters l using people p
    where p.id = any(${ids}) and l.organisation_id = p.organisation_id and l.to_email = p.email`);
  await db.execute(sql`
    delete from team_invitations i using people p
    where p.id = any(${ids}) and i.organisation_id = p.organisation_id and i.email = p.email`);
  const nothing = {
    name: null,
    email: null,
    zone: null,
    company: "",
    phone: "",
    note: "",
    tags: [],
    addressFailedReason: null,
    erasedAt: now,
  };
  await db
    .update(people)
    .set(nothing)
    .where(inArray(people.id, [...personIds]));
  await db.delete(groupMembers).where(inArray(groupMembers.personId, [...personIds]));
  await db.delete(busyCalendars).where(inArray(busyCalendars.personId, [...personIds]));
  await db.execute(sql`update questions set text = '', answer = null where asker_ticket_id in ${ownTickets}`);
  await db.execute(sql`update question_comments set text = '' where ticket_id in ${ownTickets}`);
  // that somebody answered stays in the count, what they wrote does not
  await db.execute(sql`
    update ballots b set choice = '[]' from polls p, jsonb_array_elements(p.questions) q
    where p.id = b.poll_id and q->>'id' = b.question_id and q->>'kind' = 'open-text' and b.ticket_id in ${ownTickets}`);
  // the record keeps that a line was written, not what it said
  await db.execute(sql`update chat_lines set text = '' where author_ticket_id in ${ownTickets}`);
  await db.execute(sql`
    update ink_acts set body = jsonb_set(body, '{mark,text}', '""') where author_ticket_id in ${ownTickets} and body->'mark'->>'tool' = 'text'`);
  // that they answered, and what they earned, stays a figure; what they wrote and what they are called does not
  await db.execute(sql`update survey_answers set answers = '{}' where ticket_id in ${ownTickets}`);
  await db.execute(sql`update credits set name = '' where person_id = any(${ids}) or ticket_id in ${ownTickets}`);
  await db.execute(
    sql`update corrections set reason = '' where person_key in (select id::text from tickets where person_id = any(${ids}))`,
  );
  await db.execute(sql`delete from entry_proofs where ticket_id in ${ownTickets}`);
  await db.execute(sql`
    update tickets set answers = '{}', about_line = '', portrait_id = null, source = null, room_name = null, revoked_at = coalesce(revoked_at, ${new Date(now).toISOString()})
    where person_id = any(${ids})`);
  // a file's own mark for somebody may be their name
  await db.execute(sql`
    update stays set chain_id = coalesce(ticket_id, person_id, id)::text, import_key = case when import_key is null then null else id::text end
    where person_id = any(${ids}) or ticket_id in ${ownTickets}`);
  await db.execute(sql`delete from messages where person_id = any(${ids}) and state in ('planned', 'held')`);
  await db.execute(sql`update messages set rendered = null where person_id = any(${ids})`);
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
  await noteErased(context, [personId]);
}
