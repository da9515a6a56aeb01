import { and, desc, eq, inArray, isNotNull, lte, sql } from "drizzle-orm";
import { holdsWords } from "../../db/queries/words";
import { events, messages, people } from "../../db/schema";
import { accessFor, eventAccess, type TeamMember } from "../ground/access";
import { audit } from "../ground/audit";
import { notFound, oneOf, type Context } from "../ground/context";
import { finish, linksOf, redactedLinks, type FinishedMessage } from "./links";
import { loadMessage } from "./load";
import { roleMay } from "@/core/rights";

export interface OutboxLine {
  readonly id: string;
  readonly kind: string;
  readonly state: string;
  readonly event: string;
  readonly to: string;
  readonly at: number;
  readonly subject: string | null;
  readonly note: string | null;
}

const gone = ["sent", "sending", "failed"] as const;

export interface OutboxPage {
  readonly lines: readonly OutboxLine[];
  /** where the next, earlier page begins; null: this is the last */
  readonly next: string | null;
}

/** A place in the outbox: the moment and the id, since a mailing's mails are all of one moment. */
const cursorOf = (message: { createdAt: number; id: string }): string => `${message.createdAt}_${message.id}`;
const readCursor = (text: string | null): { at: number; id: string } | null => {
  const [, at, id] = /^(\d{1,15})_([0-9a-f]{8}(?:-[0-9a-f]{4}){3}-[0-9a-f]{12})$/.exec(text ?? "") ?? [];
  return at && id ? { at: Number(at), id } : null;
};

/** What the list of mails is narrowed to. */
export interface OutboxFilter {
  /** of address, name and event */
  readonly words?: string;
  readonly state?: "sent" | "sending" | "failed";
}

/** Every mail that left, newest first. Crew and producers see their organisation's. An unreadable place begins anew. */
export async function outboxPage(
  context: Context,
  member: TeamMember,
  before: string | null,
  filter: OutboxFilter = {},
  pageSize = 50,
): Promise<OutboxPage> {
  const from = readCursor(before);
  const rows = await context.db
    .select({ message: messages, title: events.title, email: people.email })
    .from(messages)
    .innerJoin(people, eq(people.id, messages.personId))
    .leftJoin(events, eq(events.id, messages.eventId))
    .where(
      and(
        eq(messages.organisationId, member.organisationId),
        filter.state ? eq(messages.state, filter.state) : inArray(messages.state, [...gone]),
        holdsWords(
          sql`(coalesce(${people.email}, '') || ' ' || coalesce(${people.name}, '') || ' ' || coalesce(${events.title}, ''))`,
          filter.words,
        ),
        from
          ? sql`(${messages.createdAt}, ${messages.id}) < (${new Date(from.at).toISOString()}, ${from.id})`
          : undefined,
      ),
    )
    .orderBy(desc(messages.createdAt), desc(messages.id))
    .limit(pageSize + 1);
  const shown = rows.slice(0, pageSize);
  const lines = shown.map(({ message, title, email }) => ({
    id: message.id,
    kind: message.kind,
    state: message.state,
    event: title ?? "",
    to: email ?? "erased",
    at: message.sentAt ?? message.createdAt,
    subject: message.rendered?.subject ?? null,
    note: message.note,
  }));
  return { lines, next: rows.length > pageSize ? cursorOf(shown.at(-1)!.message) : null };
}

/** Mails that a server put off, or that found none: how many, why, and when they are tried again. */
export interface PutOff {
  readonly count: number;
  readonly note: string;
  readonly nextAt: number;
}

/** What waits because a mail server did not take it, most first. */
export async function putOffMail(context: Context, member: TeamMember): Promise<readonly PutOff[]> {
  return context.db
    .select({
      note: sql<string>`${messages.note}`,
      count: sql<number>`count(*)::int`,
      nextAt: sql`min(${messages.dueAt})`.mapWith(messages.dueAt),
    })
    .from(messages)
    .where(
      and(eq(messages.organisationId, member.organisationId), eq(messages.state, "planned"), isNotNull(messages.note)),
    )
    .groupBy(messages.note)
    .orderBy(sql`count(*) desc`)
    .limit(5);
}

/**
 * Puts a mail that failed back on the plan, due now. Whoever does so vouches for the address: a mark on
 * it goes. @returns whether there was anything to try again
 */
export async function tryAgain(context: Context, member: TeamMember, messageId: string): Promise<boolean> {
  const [row] = await context.db
    .select()
    .from(messages)
    .where(and(eq(messages.id, messageId), eq(messages.organisationId, member.organisationId)));
  if (!row?.eventId) throw notFound("mail");
  await accessFor(context, member, row.eventId, "event.mailings");
  return context.db.transaction(async (tx) => {
    const back = await tx
      .update(messages)
      .set({ state: "planned", attempts: 0, dueAt: context.clock.now(), note: null })
      .where(and(eq(messages.id, messageId), eq(messages.state, "failed")))
      .returning({ id: messages.id });
    if (back.length === 0) return false;
    await tx
      .update(people)
      .set({ addressFailedAt: null, addressFailedReason: null })
      .where(eq(people.id, row.personId));
    await audit(context, tx, {
      organisationId: member.organisationId,
      actorId: member.userId,
      action: "mail.try-again",
      eventId: row.eventId!,
    });
    return true;
  });
}

export interface OutboxMail extends FinishedMessage {
  readonly from: string;
  readonly to: string;
  readonly messageId: string;
  readonly sentAt: number | null;
  readonly areLinksRedacted: boolean;
}

const unread = "This mail answers a question that was asked without a name: only who asked reads it.";
const unreadWords = { text: unread, html: `<p>${unread}</p>` };

/** One mail as its recipient gets it; personal links only for those with the right to them. */
export async function outboxMail(context: Context, member: TeamMember, messageId: string): Promise<OutboxMail> {
  const [message] = await context.db
    .select()
    .from(messages)
    .where(and(eq(messages.id, messageId), eq(messages.organisationId, member.organisationId)));
  const row = oneOf(message?.rendered ? [message] : [], "mail");
  if (!row.eventId) throw notFound("mail");
  const { actor } = await eventAccess(context, member, row.eventId);
  const facts = await loadMessage(context, context.db, row);
  const maySee = roleMay(actor, "event.personal-links");
  const shown = row.rendered!.isUnnamed ? { ...row.rendered!, ...unreadWords } : row.rendered!;
  return {
    ...finish(shown, maySee ? linksOf(context, facts.owner) : redactedLinks),
    from: `${facts.organisation.senderName} <${facts.organisation.senderEmail}>`,
    to: `${facts.person.name ?? ""} <${facts.person.email ?? "erased"}>`,
    messageId: row.messageId,
    sentAt: row.sentAt,
    areLinksRedacted: !maySee,
  };
}

/**
 * After a restore: what was due before now may have left after the backup was made, and nobody is to have it twice.
 * What is due later goes as planned. @returns how many there were
 */
export async function letGoneMailsBe(context: Context): Promise<number> {
  const dropped = await context.db
    .update(messages)
    .set({ state: "dropped", note: "may have gone before the restore" })
    .where(and(inArray(messages.state, ["planned", "sending"]), lte(messages.plannedDueAt, context.clock.now())))
    .returning({ id: messages.id });
  return dropped.length;
}
