import { and, asc, eq, isNotNull, sql } from "drizzle-orm";
import { kindWordsInput, mailingInput, type MailingInput } from "@/contracts";
import {
  checkTemplate,
  docFromTemplate,
  isFollowUp,
  nobody,
  templateOfDoc,
  type MailDoc,
  type MailingKind,
  type WordedKind,
} from "@/core/mailings";
import { Refusal, unwrap } from "@/core/shared";
import { mailings, messages } from "../../db/schema";
import { accessFor, type TeamMember } from "../ground/access";
import { notFound, parse, type Context } from "../ground/context";
import { standardWords } from "./render";

export type MailingRow = typeof mailings.$inferSelect;

/** A mailing with how far it has gone. */
export interface MailingLine {
  readonly id: string;
  readonly kind: MailingKind;
  readonly subject: string;
  readonly afterMinutes: number | null;
  readonly isOff: boolean;
  readonly counts: Readonly<Record<string, number>>;
  /** why some have not left, where a mail server did not take them */
  readonly putOff: { readonly note: string; readonly nextAt: number } | null;
  readonly createdAt: number;
}

/** The event's own mailings, oldest first, each with its messages by state. */
export async function mailingsOf(
  context: Context,
  member: TeamMember,
  eventId: string,
): Promise<readonly MailingLine[]> {
  await accessFor(context, member, eventId, "event.read");
  const [rows, counts, waits] = await Promise.all([
    context.db.select().from(mailings).where(eq(mailings.eventId, eventId)).orderBy(asc(mailings.createdAt)).limit(200),
    context.db
      .select({ id: messages.mailingId, state: messages.state, n: sql<number>`count(*)::int` })
      .from(messages)
      .where(and(eq(messages.eventId, eventId), sql`${messages.mailingId} is not null`))
      .groupBy(messages.mailingId, messages.state),
    context.db
      .select({
        id: messages.mailingId,
        note: sql<string>`min(${messages.note})`,
        nextAt: sql`min(${messages.dueAt})`.mapWith(messages.dueAt),
      })
      .from(messages)
      .where(
        and(
          eq(messages.eventId, eventId),
          eq(messages.state, "planned"),
          isNotNull(messages.mailingId),
          isNotNull(messages.note),
        ),
      )
      .groupBy(messages.mailingId),
  ]);
  const of = (id: string) => Object.fromEntries(counts.filter((row) => row.id === id).map((row) => [row.state, row.n]));
  return rows.map(({ id, kind, subject, afterMinutes, isOff, createdAt }) => ({
    id,
    kind,
    subject,
    afterMinutes,
    isOff,
    createdAt,
    counts: of(id),
    putOff: waits.find((row) => row.id === id) ?? null,
  }));
}

export interface Draft extends MailingInput {
  readonly id: string | null;
  readonly version: number;
}

/** The words of a row as a document. */
export const docOf = (row: { doc?: MailDoc | null; body: string }): MailDoc => row.doc ?? docFromTemplate(row.body);

/** One mailing as the composer edits it; without an id a fresh one of the kind with the standard words. */
export async function draftOf(
  context: Context,
  member: TeamMember,
  eventId: string,
  id: string | null,
  kind: MailingInput["kind"],
): Promise<Draft> {
  await accessFor(context, member, eventId, "event.mailings");
  if (id === null) {
    const words = standardWords(kind, "en");
    return {
      id: null,
      version: 0,
      kind,
      subject: words.subject,
      doc: [...docFromTemplate(words.body)] as Draft["doc"],
      versions: [],
      audience: {
        ...nobody,
        standing: kind === "note" ? ["registered"] : [],
        groups: [],
        tags: [],
        personIds: [],
        except: [],
        past: [],
      },
      senderName: "",
      replyTo: "",
      afterMinutes: isFollowUp(kind) ? 60 : null,
    };
  }
  const row = await ownMailing(context, eventId, id);
  const { subject, senderName, replyTo, afterMinutes, version } = row;
  return {
    id,
    version,
    kind: row.kind as Draft["kind"],
    subject,
    doc: docOf(row) as Draft["doc"],
    versions: row.versions as Draft["versions"],
    audience: { ...nobody, ...row.audience } as Draft["audience"],
    senderName,
    replyTo,
    afterMinutes,
  };
}

export async function ownMailing(context: Context, eventId: string, id: string): Promise<MailingRow> {
  const [row] = await context.db
    .select()
    .from(mailings)
    .where(and(eq(mailings.id, id), eq(mailings.eventId, eventId)));
  if (!row) throw notFound("mailing");
  return row;
}

/** Input as it may be kept: known fields, and the join block where the kind needs it (rule 7). */
export function checked(rawInput: unknown): MailingInput & { body: string } {
  const input = parse(mailingInput, rawInput);
  const body = templateOfDoc(input.doc);
  unwrap(checkTemplate(input.kind, input.subject, body));
  for (const one of input.versions) unwrap(checkTemplate(input.kind, one.subject, templateOfDoc(one.doc)));
  return { ...input, body, afterMinutes: isFollowUp(input.kind) ? (input.afterMinutes ?? 60) : null };
}

/** Keeps a mailing. Nothing is sent by it. Of two editors the second hears that it was edited meanwhile. */
export async function saveMailing(
  context: Context,
  member: TeamMember,
  eventId: string,
  id: string | null,
  version: number,
  rawInput: unknown,
): Promise<{ id: string; version: number }> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  const values = checked(rawInput);
  if (id === null) {
    const fresh = {
      id: context.ids.id(),
      organisationId: event.organisationId,
      eventId,
      createdAt: context.clock.now(),
    };
    await context.db.insert(mailings).values({ ...fresh, ...values });
    return { id: fresh.id, version: 1 };
  }
  const { kind, ...rest } = values;
  const before = await ownMailing(context, eventId, id);
  const [saved] = await context.db
    .update(mailings)
    .set({ ...rest, version: version + 1 })
    .where(and(eq(mailings.id, id), eq(mailings.version, version), eq(mailings.kind, kind)))
    .returning();
  if (!saved) throw new Refusal({ code: "edited-meanwhile", currentVersion: before.version });
  return { id, version: saved.version };
}

/** What a kind that goes by itself says in this event, and whether those are words of its own. */
export async function kindWordsOf(
  context: Context,
  member: TeamMember,
  eventId: string,
  kind: WordedKind,
): Promise<{ subject: string; doc: MailDoc; isOwn: boolean }> {
  await accessFor(context, member, eventId, "event.mailings");
  const [own] = await context.db
    .select()
    .from(mailings)
    .where(and(eq(mailings.eventId, eventId), eq(mailings.kind, kind)));
  const words = own ?? standardWords(kind, "en");
  return { subject: words.subject, doc: docOf(words), isOwn: own !== undefined };
}

/** Words of an event's own for a kind that is set off by what happens; null for back to the standard ones. */
export async function saveKindWords(
  context: Context,
  member: TeamMember,
  eventId: string,
  kind: WordedKind,
  rawInput: unknown,
): Promise<void> {
  const { event } = await accessFor(context, member, eventId, "event.mailings");
  await context.db.transaction(async (tx) => {
    await tx.delete(mailings).where(and(eq(mailings.eventId, eventId), eq(mailings.kind, kind)));
    if (rawInput === null) return;
    const { subject, doc } = parse(kindWordsInput, rawInput);
    const body = templateOfDoc(doc);
    unwrap(checkTemplate(kind, subject, body));
    await tx.insert(mailings).values({
      id: context.ids.id(),
      organisationId: event.organisationId,
      eventId,
      kind,
      subject,
      body,
      doc,
      createdAt: context.clock.now(),
    });
  });
}

/** Takes a mailing off; what it sent stays sent. */
export async function deleteMailing(context: Context, member: TeamMember, eventId: string, id: string): Promise<void> {
  await accessFor(context, member, eventId, "event.mailings");
  await ownMailing(context, eventId, id);
  await context.db.transaction(async (tx) => {
    await tx.delete(messages).where(and(eq(messages.mailingId, id), sql`${messages.state} in ('planned', 'held')`));
    // a mailing that has sent something stays, switched off: its messages name it
    if ((await tx.$count(messages, eq(messages.mailingId, id))) > 0)
      await tx.update(mailings).set({ isOff: true }).where(eq(mailings.id, id));
    else await tx.delete(mailings).where(eq(mailings.id, id));
  });
}
