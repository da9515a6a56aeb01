import { and, desc, eq, lt, or } from "drizzle-orm";
import { events, messages, people } from "../db/schema";
import { eventAccess, type TeamMember } from "./access";
import { notFound, oneOf, type Context } from "./context";
import { finish, linksOf, redactedLinks, type FinishedMessage } from "./mail/links";
import { loadMessage } from "./mail/load";
import { roleMay } from "@/core/people";

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

const pageSize = 50;

/** Every mail that left or is due, newest first. Crew and producers see their organisation's. */
export async function outboxPage(context: Context, member: TeamMember, before: number | null): Promise<readonly OutboxLine[]> {
  const gone = or(eq(messages.state, "sent"), eq(messages.state, "sending"), eq(messages.state, "failed"));
  const rows = await context.db
    .select({ message: messages, title: events.title, email: people.email })
    .from(messages)
    .innerJoin(people, eq(people.id, messages.personId))
    .leftJoin(events, eq(events.id, messages.eventId))
    .where(and(eq(messages.organisationId, member.organisationId), gone, before === null ? undefined : lt(messages.createdAt, before)))
    .orderBy(desc(messages.createdAt))
    .limit(pageSize);
  return rows.map(({ message, title, email }) => ({
    id: message.id,
    kind: message.kind,
    state: message.state,
    event: title ?? "",
    to: email ?? "erased",
    at: message.sentAt ?? message.createdAt,
    subject: message.rendered?.subject ?? null,
    note: message.note,
  }));
}

export interface OutboxMail extends FinishedMessage {
  readonly from: string;
  readonly to: string;
  readonly messageId: string;
  readonly sentAt: number | null;
  readonly areLinksRedacted: boolean;
}

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
  return {
    ...finish(row.rendered!, maySee ? linksOf(context, facts.owner) : redactedLinks),
    from: `${facts.organisation.senderName} <${facts.organisation.senderEmail}>`,
    to: `${facts.person.name ?? ""} <${facts.person.email ?? "erased"}>`,
    messageId: row.messageId,
    sentAt: row.sentAt,
    areLinksRedacted: !maySee,
  };
}
