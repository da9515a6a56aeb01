import { and, asc, desc, eq, inArray, isNotNull, isNull, ne, sql, type SQL } from "drizzle-orm";
import { contactInput, contactQuery, type Contact, type ContactQuery } from "@/contracts";
import { likelySame } from "@/core/contacts";
import { Refusal } from "@/core/shared";
import type { Db } from "../../../db/client";
import { contactGroups, groupMembers, people } from "../../../db/schema";
import { holdsWords } from "../../../db/queries/words";
import { idArray } from "../../../db/queries/any-of";
import { newLinks, requireOwnStage } from "./foreign-stage";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { notFound, parse, type Context } from "../../ground/context";

type PersonRow = typeof people.$inferSelect;
export const contactPageSize = 60;
/** Whoever has an address and was not erased is in the book. Test guests are nobody. */
export const inBook = (organisationId: string): SQL =>
  and(
    eq(people.organisationId, organisationId),
    isNotNull(people.email),
    isNull(people.erasedAt),
    sql`${people.email} not like 'test-guest+%'`,
  )!;

export const asContact = (row: PersonRow, groups: readonly string[]): Contact => ({
  id: row.id,
  name: row.name ?? "",
  email: row.email ?? "",
  company: row.company,
  phone: row.phone,
  note: row.note,
  zone: row.zone,
  locale: row.locale,
  tags: row.tags,
  groups,
  unsubscribedAt: row.unsubscribedAt,
  addressFailedAt: row.addressFailedAt,
  addressFailedReason: row.addressFailedReason,
});

/** Names of the groups that each of these people is in. */
export async function groupsOf(db: Db, personIds: readonly string[]): Promise<ReadonlyMap<string, string[]>> {
  const out = new Map<string, string[]>();
  if (personIds.length === 0) return out;
  const rows = await db
    .select({ personId: groupMembers.personId, name: contactGroups.name })
    .from(groupMembers)
    .innerJoin(contactGroups, eq(contactGroups.id, groupMembers.groupId))
    .where(inArray(groupMembers.personId, [...personIds]))
    .orderBy(asc(contactGroups.name));
  for (const row of rows) out.set(row.personId, [...(out.get(row.personId) ?? []), row.name]);
  return out;
}

export function narrowed(organisationId: string, query: ContactQuery): SQL {
  const inGroup = sql`exists (select 1 from ${groupMembers} gm join ${contactGroups} g on g.id = gm.group_id where gm.person_id = ${people.id} and g.name = ${query.group})`;
  return and(
    inBook(organisationId),
    holdsWords(
      sql`(coalesce(${people.name}, '') || ' ' || coalesce(${people.email}, '') || ' ' || ${people.company})`,
      query.words,
    ),
    query.tag ? sql`${people.tags} @> array[${query.tag}]::text[]` : undefined,
    query.group ? inGroup : undefined,
    query.state === "unsubscribed" ? isNotNull(people.unsubscribedAt) : undefined,
    query.state === "bounced" ? isNotNull(people.addressFailedAt) : undefined,
  )!;
}

/** A contact in the list, with how much there was between them and the organisation. */
export interface ContactLine extends Contact {
  readonly eventCount: number;
  readonly lastAt: number | null;
}

/** Events that each of these people has a place in, and when the last of them began. */
async function dealings(db: Db, personIds: readonly string[], now: number) {
  if (personIds.length === 0) return new Map<string, { n: number; lastAt: number | null }>();
  const { rows } = await db.execute(sql`
    select t.person_id, count(distinct t.event_id)::int as n, max(c.start_at) filter (where c.start_at <= ${new Date(now).toISOString()}::timestamptz) as last_at
    from tickets t left join occurrences c on c.id = t.occurrence_id
    where t.person_id = any(${idArray(personIds)}) and t.role <> 'test-guest'
    group by t.person_id`);
  return new Map(
    rows.map((row) => [
      String(row["person_id"]),
      { n: Number(row["n"]), lastAt: row["last_at"] ? new Date(row["last_at"] as string).getTime() : null },
    ]),
  );
}

/** The columns by which the book can be sorted. Names are sorted with the database's own collation. */
function orderOf({ sort, desc: isDown }: ContactQuery): SQL[] {
  const column = { name: people.name, email: people.email, company: people.company, added: people.createdAt }[sort];
  return [isDown ? desc(column) : asc(column), asc(people.id)];
}

export interface ContactPage {
  readonly contacts: readonly ContactLine[];
  readonly total: number;
  readonly groups: readonly { readonly name: string; readonly count: number }[];
  readonly tags: readonly { readonly name: string; readonly count: number }[];
}

/** One page of the book by name, with its groups and commonest tags. */
export async function contactPage(context: Context, member: TeamMember, rawQuery: unknown): Promise<ContactPage> {
  requireStanding(member, "contacts.read");
  const query = parse(contactQuery, rawQuery);
  const { organisationId } = member;
  const { db } = context;
  const where = narrowed(organisationId, query);
  const [rows, total, groups, tags] = await Promise.all([
    db
      .select()
      .from(people)
      .where(where)
      .orderBy(...orderOf(query))
      .limit(contactPageSize)
      .offset(query.page * contactPageSize),
    db.$count(people, where),
    db.execute(
      sql`select g.name, count(gm.person_id)::int as count from contact_groups g left join group_members gm on gm.group_id = g.id where g.organisation_id = ${organisationId} group by g.name order by g.name limit 200`,
    ),
    db.execute(
      sql`select tag as name, count(*)::int as count from people, unnest(tags) as tag where organisation_id = ${organisationId} and erased_at is null group by tag order by count(*) desc, tag limit 40`,
    ),
  ]);
  const ids = rows.map((row) => row.id);
  const [memberships, dealt] = await Promise.all([groupsOf(db, ids), dealings(db, ids, context.clock.now())]);
  return {
    contacts: rows.map((row) => ({
      ...asContact(row, memberships.get(row.id) ?? []),
      eventCount: dealt.get(row.id)?.n ?? 0,
      lastAt: dealt.get(row.id)?.lastAt ?? null,
    })),
    total,
    groups: groups.rows as never,
    tags: tags.rows as never,
  };
}

export async function contactById(context: Context, member: TeamMember, personId: string): Promise<Contact> {
  requireStanding(member, "contacts.read");
  const [row] = await context.db
    .select()
    .from(people)
    .where(and(inBook(member.organisationId), eq(people.id, personId)));
  if (!row) throw notFound("contact");
  return asContact(row, (await groupsOf(context.db, [row.id])).get(row.id) ?? []);
}

/** Groups by name, made where there are none. */
export async function groupIds(
  context: Context,
  db: Db,
  organisationId: string,
  names: readonly string[],
): Promise<ReadonlyMap<string, string>> {
  if (names.length === 0) return new Map();
  await db
    .insert(contactGroups)
    .values(names.map((name) => ({ id: context.ids.id(), organisationId, name })))
    .onConflictDoNothing();
  const rows = await db
    .select()
    .from(contactGroups)
    .where(and(eq(contactGroups.organisationId, organisationId), inArray(contactGroups.name, [...names])));
  return new Map(rows.map((row) => [row.name, row.id]));
}

/** Saves a contact; without an id a new one. An address belongs to one person. */
export async function saveContact(
  context: Context,
  member: TeamMember,
  personId: string | null,
  rawInput: unknown,
): Promise<string> {
  requireStanding(member, "contacts.edit");
  const { groups, ...values } = parse(contactInput, rawInput);
  const { organisationId } = member;
  return context.db.transaction(async (tx) => {
    const [other] = await tx
      .select({ id: people.id })
      .from(people)
      .where(
        and(
          eq(people.organisationId, organisationId),
          eq(people.email, values.email),
          personId ? ne(people.id, personId) : undefined,
        ),
      );
    if (other) throw new Refusal({ code: "address-taken" });
    const id = personId ?? context.ids.id();
    if (personId) {
      const [before] = await tx
        .select()
        .from(people)
        .where(and(inBook(organisationId), eq(people.id, personId)));
      if (!before) throw notFound("contact");
      if (before.email !== values.email) {
        await requireOwnStage(tx, member, [personId], "contacts.edit");
        await newLinks(tx, [personId]);
      }
      // another address has not failed yet
      const fresh = before.email === values.email ? {} : { addressFailedAt: null, addressFailedReason: null };
      await tx
        .update(people)
        .set({ ...values, ...fresh })
        .where(eq(people.id, personId));
    } else await tx.insert(people).values({ id, organisationId, createdAt: context.clock.now(), ...values });
    await tx.delete(groupMembers).where(eq(groupMembers.personId, id));
    const ids = [...(await groupIds(context, tx, organisationId, groups)).values()];
    if (ids.length > 0)
      await tx.insert(groupMembers).values(ids.map((groupId) => ({ groupId, personId: id, organisationId })));
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: personId ? "contact.edit" : "contact.add",
      facts: { contact: id },
    });
    return id;
  });
}

/** Takes a group off the book; its people stay. */
export async function removeGroup(context: Context, member: TeamMember, name: string): Promise<void> {
  requireStanding(member, "contacts.edit");
  await context.db
    .delete(contactGroups)
    .where(and(eq(contactGroups.organisationId, member.organisationId), eq(contactGroups.name, name)));
}

const comparedAtMost = 30_000;
export const pairsShown = 60;

export interface LikelyDuplicate {
  readonly a: Contact;
  readonly b: Contact;
  readonly likeness: number;
}

/** Contacts that are likely one person by name, the likeliest of the book or of a part of it. One address is one person already: the table has it unique. */
export async function likelyDuplicates(
  context: Context,
  member: TeamMember,
  rawQuery: unknown = {},
): Promise<readonly LikelyDuplicate[]> {
  requireStanding(member, "contacts.read");
  const rows = await context.db
    .select({ id: people.id, name: people.name, email: people.email })
    .from(people)
    .where(narrowed(member.organisationId, parse(contactQuery, rawQuery)))
    .limit(comparedAtMost);
  const pairs = likelySame(
    rows.map((row) => ({ id: row.id, name: row.name ?? "", email: row.email ?? "" })),
    pairsShown,
  );
  const ids = [...new Set(pairs.flatMap((pair) => [pair.a, pair.b]))];
  if (ids.length === 0) return [];
  const full = await context.db.select().from(people).where(inArray(people.id, ids));
  const memberships = await groupsOf(context.db, ids);
  const byId = new Map(full.map((row) => [row.id, asContact(row, memberships.get(row.id) ?? [])]));
  return pairs.map((pair) => ({ a: byId.get(pair.a)!, b: byId.get(pair.b)!, likeness: pair.likeness }));
}
