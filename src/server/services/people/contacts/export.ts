import { asc, gt, and } from "drizzle-orm";
import { contactQuery, type ContactQuery } from "@/contracts";
import { contactFields, vcards, type ContactDraft } from "@/core/contacts";
import { people } from "../../../db/schema";
import { requireStanding, type TeamMember } from "../../ground/access";
import { audit } from "../../ground/audit";
import { parse, type Context } from "../../ground/context";
import { csvRows, csvText } from "../../ground/delimited";
import { groupsOf, narrowed } from "./book";

const chunkSize = 2000;

/** The book, or the part of it that was asked for, chunk by chunk in the order of ids: memory stays flat. */
async function* chunks(context: Context, organisationId: string, query: ContactQuery): AsyncGenerator<ContactDraft[]> {
  for (let after = "00000000-0000-0000-0000-000000000000"; ;) {
    const rows = await context.db
      .select()
      .from(people)
      .where(and(narrowed(organisationId, query), gt(people.id, after)))
      .orderBy(asc(people.id))
      .limit(chunkSize);
    if (rows.length === 0) return;
    const groups = await groupsOf(
      context.db,
      rows.map((row) => row.id),
    );
    yield rows.map((row) => ({
      name: row.name ?? "",
      email: row.email!,
      company: row.company,
      phone: row.phone,
      note: row.note,
      locale: row.locale,
      zone: row.zone,
      tags: row.tags,
      groups: groups.get(row.id) ?? [],
    }));
    after = rows.at(-1)!.id;
  }
}

const asRow = (one: ContactDraft) => [
  one.name,
  one.email,
  one.company,
  one.phone,
  one.locale ?? "",
  one.zone ?? "",
  one.tags.join(";"),
  one.groups.join(";"),
  one.note,
];

/** The book as a file, streamed: delimited text (rule 9) or vCard 4. Written to the audit log. */
export async function exportContacts(
  context: Context,
  member: TeamMember,
  kind: "csv" | "vcf",
  rawQuery: unknown = {},
): Promise<ReadableStream<Uint8Array>> {
  requireStanding(member, "contacts.export");
  const query = parse(contactQuery, rawQuery);
  const { organisationId } = member;
  await audit(context, context.db, { organisationId, actorId: member.userId, action: "contacts.export" });
  const encoder = new TextEncoder();
  const parts = chunks(context, organisationId, query);
  return new ReadableStream({
    start: (controller) => {
      if (kind === "csv") controller.enqueue(encoder.encode(csvText(contactFields, [])));
    },
    async pull(controller) {
      const next = await parts.next();
      if (next.done) return controller.close();
      controller.enqueue(encoder.encode(kind === "csv" ? csvRows(next.value.map(asRow)) : vcards(next.value)));
    },
  });
}
