import { boolean, index, integer, jsonb, pgTable, text, unique, uuid } from "drizzle-orm/pg-core";
import { mailingKinds, nobody, type Audience, type MailDoc, type MailVersion } from "@/core/mailings";
import type { Letter } from "@/core/mailings";
import { sql } from "drizzle-orm";
import { instant, organisationId } from "./columns";
import { events, occurrences } from "./events";

/** The words of one kind of mail in one event; kinds without a row use the catalogue's. */
export const mailings = pgTable(
  "mailings",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    kind: text("kind", { enum: mailingKinds }).notNull(),
    /** before the start; null for mails that something else sets off */
    offsetMinutes: integer("offset_minutes"),
    subject: text("subject").notNull(),
    /** the words with their fields, looks left out */
    body: text("body").notNull(),
    /** the words as they were laid out; null: made from `body` */
    doc: jsonb("doc").$type<MailDoc>(),
    /** the same in other languages; whoever reads none of them gets the words above */
    versions: jsonb("versions").$type<readonly MailVersion[]>().notNull().default([]),
    audience: jsonb("audience").$type<Audience>().notNull().default(nobody),
    senderName: text("sender_name").notNull().default(""),
    replyTo: text("reply_to").notNull().default(""),
    /** follow-ups: minutes after the end */
    afterMinutes: integer("after_minutes"),
    isOff: boolean("is_off").notNull().default(false),
    version: integer("version").notNull().default(1),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("mailings_event").on(t.eventId, t.kind)],
);

/** A rendered message; personal links stand in it as placeholders and are derived when it leaves. */
export interface RenderedMessage {
  subject: string;
  text: string;
  html: string;
  /** unfolded calendar lines */
  calendar: { method: "REQUEST" | "CANCEL"; lines: string[] } | null;
  /** the answers that it brings: no other mail says them again */
  answerKeys?: readonly string[];
  /** it answers a question that was asked without a name: the team does not read it */
  isUnnamed?: boolean;
}

/** A further date of a mail, with the recipient's ticket for it. */
export interface AlsoAbout {
  readonly occurrenceId: string;
  readonly ticketId: string | null;
}

export const messages = pgTable(
  "messages",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id").references(() => events.id, { onDelete: "cascade" }),
    occurrenceId: uuid("occurrence_id").references(() => occurrences.id, { onDelete: "cascade" }),
    /** the producer's own mailing; null for those by the catalogue */
    mailingId: uuid("mailing_id"),
    kind: text("kind", { enum: mailingKinds }).notNull(),
    personId: uuid("person_id").notNull(),
    ticketId: uuid("ticket_id"),
    /** the question that a mail answers */
    questionId: uuid("question_id"),
    /** the other dates that this one mail is about */
    alsoAbout: jsonb("also_about").$type<readonly AlsoAbout[]>().notNull().default([]),
    plannedDueAt: instant("planned_due_at").notNull(),
    /** moves on with each try */
    dueAt: instant("due_at").notNull(),
    state: text("state", { enum: ["planned", "sending", "sent", "failed", "dropped", "held"] }).notNull(),
    attempts: integer("attempts").notNull().default(0),
    /** the same in every repeat of this message */
    messageId: text("message_id").notNull(),
    /** null until the message is due: it then says what holds at that moment */
    rendered: jsonb("rendered").$type<RenderedMessage>(),
    note: text("note"),
    sentAt: instant("sent_at"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    unique("messages_once")
      .on(t.kind, t.mailingId, t.occurrenceId, t.personId, t.plannedDueAt, t.questionId)
      .nullsNotDistinct(),
    index("messages_due").on(t.state, t.dueAt),
    index("messages_outbox").on(t.organisationId, t.createdAt),
    index("messages_ticket").on(t.ticketId),
    index("messages_date").on(t.occurrenceId, t.state),
    index("messages_event").on(t.eventId, t.state),
    index("messages_message_id").on(t.messageId),
    index("messages_person").on(t.personId),
    index("messages_mailing").on(t.mailingId),
  ],
);

/** A page of a group outside: a course, a team. Posts about events are put on it. */
export const boards = pgTable(
  "boards",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    name: text("name").notNull(),
    slug: text("slug").notNull(),
    /** called with each post; null: none */
    hookUrl: text("hook_url"),
    /** encrypted: each call is signed with it */
    hookSecretSealed: text("hook_secret_sealed"),
    /** how the last call went, in words */
    lastHook: text("last_hook"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [unique("boards_slug").on(t.organisationId, t.slug)],
);

export const boardPosts = pgTable(
  "board_posts",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    boardId: uuid("board_id")
      .notNull()
      .references(() => boards.id, { onDelete: "cascade" }),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    text: text("text").notNull(),
    postedAt: instant("posted_at").notNull(),
    /** when the hook is called next; null: nothing to call, or done */
    hookDueAt: instant("hook_due_at"),
    hookAttempts: integer("hook_attempts").notNull().default(0),
  },
  (t) => [index("board_posts_board").on(t.boardId, t.postedAt), index("board_posts_due").on(t.hookDueAt)],
);

/** A mail to one of the team about the organisation itself, outside every event. Links in it are derived when it leaves. */
export const letters = pgTable(
  "letters",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    toName: text("to_name").notNull(),
    toEmail: text("to_email").notNull(),
    body: jsonb("body").$type<Letter>().notNull(),
    state: text("state", { enum: ["planned", "sent", "failed"] })
      .notNull()
      .default("planned"),
    attempts: integer("attempts").notNull().default(0),
    dueAt: instant("due_at").notNull(),
    sentAt: instant("sent_at"),
    messageId: text("message_id").notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    index("letters_due")
      .on(t.dueAt)
      .where(sql`state = 'planned'`),
    index("letters_invitation").on(sql`(body ->> 'invitationId')`),
  ],
);
