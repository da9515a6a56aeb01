import { sql } from "drizzle-orm";
import { mappingInput, type ImportLine, type ImportPreview } from "@/contracts";
import type { ContactDraft } from "@/core/contacts";
import type { Db } from "../../../db/client";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { parse, type Context } from "../../ground/context";
import { groupIds } from "./book";
import { shownBad } from "./read-file";

const chunkSize = 1000;

/** What a file holds and how it would be read, before anything is kept. */
export async function previewImport(
  { sums }: Pick<Context, "sums">,
  member: TeamMember,
  bytes: Uint8Array,
  rawMapping: unknown,
): Promise<ImportPreview> {
  requireStanding(member, "contacts.edit");
  const mapping = Array.isArray(rawMapping) ? parse(mappingInput, rawMapping) : null;
  return sums.run("contacts-preview", [bytes, mapping]);
}

/**
 * Takes one chunk in: new addresses are added; of known ones only what is empty is filled, and tags are
 * joined. A row that would change nothing is not touched, so the same file twice changes nothing.
 */
async function takeIn(
  context: Context,
  tx: Db,
  organisationId: string,
  drafts: readonly ContactDraft[],
): Promise<{ added: number; changed: number }> {
  const column = (of: (one: ContactDraft) => string | null) => sql.param(drafts.map(of));
  const now = new Date(context.clock.now()).toISOString();
  // tags as JSON text: an array of arrays has to be rectangular
  const { rows } = await tx.execute(sql`
    insert into people as p (id, organisation_id, name, email, company, phone, note, locale, zone, tags, created_at)
    select x.id, ${organisationId}, x.name, x.email, x.company, x.phone, x.note, coalesce(x.locale, 'en'), x.zone, array(select jsonb_array_elements_text(x.tags::jsonb)), ${now}::timestamptz
    from unnest(${sql.param(drafts.map(() => context.ids.id()))}::uuid[], ${column((one) => one.name)}::text[], ${column((one) => one.email)}::text[], ${column((one) => one.company)}::text[], ${column((one) => one.phone)}::text[],
      ${column((one) => one.note)}::text[], ${column((one) => one.locale)}::text[], ${column((one) => one.zone)}::text[], ${column((one) => JSON.stringify(one.tags))}::text[]) as x (id, name, email, company, phone, note, locale, zone, tags)
    on conflict (organisation_id, email) do update set
      name = case when coalesce(p.name, '') = '' then excluded.name else p.name end,
      company = case when p.company = '' then excluded.company else p.company end,
      phone = case when p.phone = '' then excluded.phone else p.phone end,
      note = case when p.note = '' then excluded.note else p.note end,
      zone = coalesce(p.zone, excluded.zone),
      tags = p.tags || array(select t from unnest(excluded.tags) as t where t <> all (p.tags))
    where (coalesce(p.name, '') = '' and excluded.name <> '') or (p.company = '' and excluded.company <> '') or (p.phone = '' and excluded.phone <> '')
      or (p.note = '' and excluded.note <> '') or (p.zone is null and excluded.zone is not null) or not (p.tags @> excluded.tags)
    returning (xmax = 0) as fresh`);
  await joinGroups(context, tx, organisationId, drafts);
  const added = rows.filter((row) => row["fresh"] === true).length;
  return { added, changed: rows.length - added };
}

async function joinGroups(
  context: Context,
  tx: Db,
  organisationId: string,
  drafts: readonly ContactDraft[],
): Promise<void> {
  const wanted = drafts.flatMap((one) => one.groups.map((group) => ({ email: one.email, group })));
  if (wanted.length === 0) return;
  const ids = await groupIds(context, tx, organisationId, [...new Set(wanted.map((one) => one.group))]);
  await tx.execute(sql`
    insert into group_members (group_id, person_id, organisation_id)
    select x.group_id, p.id, p.organisation_id from unnest(${sql.param(wanted.map((one) => ids.get(one.group)!))}::uuid[], ${sql.param(wanted.map((one) => one.email))}::text[]) as x (group_id, email)
    join people p on p.organisation_id = ${organisationId} and p.email = x.email on conflict do nothing`);
}

/** Takes a file in, all of it or nothing, telling how far it is. */
export async function importContacts(
  context: Context,
  member: TeamMember,
  bytes: Uint8Array,
  rawMapping: unknown,
  tell: (line: ImportLine) => void,
): Promise<void> {
  requireStanding(member, "contacts.edit");
  const mapping = parse(mappingInput, rawMapping);
  const { drafts, bad } = await context.sums.run("contacts-file", [bytes, mapping]);
  const { organisationId } = member;
  await context.db.transaction(async (tx) => {
    let [added, changed] = [0, 0];
    for (let from = 0; from < drafts.length; from += chunkSize) {
      const part = await takeIn(context, tx, organisationId, drafts.slice(from, from + chunkSize));
      added += part.added;
      changed += part.changed;
      tell({ type: "progress", done: Math.min(drafts.length, from + chunkSize), total: drafts.length });
    }
    await audit(context, tx, {
      organisationId,
      actorId: member.userId,
      action: "contacts.import",
      facts: { added, changed },
    });
    tell({
      type: "done",
      added,
      changed,
      unchanged: drafts.length - added - changed,
      bad: shownBad(bad),
      badCount: bad.length,
    });
  });
}
