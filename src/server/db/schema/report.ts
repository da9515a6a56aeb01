import { sql } from "drizzle-orm";
import {
  boolean,
  index,
  integer,
  jsonb,
  numeric,
  pgTable,
  primaryKey,
  real,
  text,
  uniqueIndex,
  uuid,
} from "drizzle-orm/pg-core";
import type { SurveyAnswers, SurveyQuestion } from "@/core/survey";
import { instant, organisationId } from "./columns";
import { events, occurrences } from "./events";

const occurrenceId = () =>
  uuid("occurrence_id")
    .notNull()
    .references(() => occurrences.id, { onDelete: "cascade" });

/** What was put right by hand after a date (rule 13). Nothing that was written live changes; each can be undone. */
export const corrections = pgTable(
  "corrections",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: occurrenceId(),
    kind: text("kind", { enum: ["merge", "test", "entry"] }).notNull(),
    /** a line of the report: a ticket's id, or what stands for somebody without one */
    personKey: text("person_key").notNull(),
    intoKey: text("into_key"),
    entryKey: text("entry_key"),
    inAt: instant("in_at"),
    outAt: instant("out_at"),
    reason: text("reason").notNull().default(""),
    actorId: text("actor_id").notNull(),
    at: instant("at").notNull(),
    undoneAt: instant("undone_at"),
  },
  (t) => [index("corrections_date").on(t.occurrenceId, t.at)],
);

/** When any process of the server last said that it runs; one row. */
export const serverSigns = pgTable("server_signs", {
  name: text("name").primaryKey(),
  lastAt: instant("last_at").notNull(),
});

/** Spans in which no process ran, or none reached the database: struck out for everybody. */
export const serverAway = pgTable(
  "server_away",
  { fromAt: instant("from_at").primaryKey(), toAt: instant("to_at").notNull() },
  (t) => [index("server_away_to").on(t.toAt)],
);

/** What somebody earned by a date, as it was issued; a change keeps what stood before. */
export interface CreditChange {
  readonly at: number;
  readonly actorId: string;
  readonly points: number;
  readonly isWithdrawn: boolean;
  readonly why: string;
}
export const credits = pgTable(
  "credits",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: occurrenceId(),
    personKey: text("person_key").notNull(),
    personId: uuid("person_id"),
    ticketId: uuid("ticket_id"),
    /** on the certificate; guessed by nobody */
    number: text("number").notNull(),
    /** as it stands on the certificate */
    name: text("name").notNull(),
    points: numeric("points", { precision: 6, scale: 2, mode: "number" }).notNull(),
    outOf: numeric("out_of", { precision: 6, scale: 2, mode: "number" }).notNull(),
    minutesPresent: real("minutes_present").notNull(),
    issuedAt: instant("issued_at").notNull(),
    withdrawnAt: instant("withdrawn_at"),
    trail: jsonb("trail").$type<readonly CreditChange[]>().notNull().default([]),
  },
  (t) => [
    uniqueIndex("credits_number").on(t.number),
    uniqueIndex("credits_once").on(t.occurrenceId, t.personKey),
    index("credits_ticket").on(t.ticketId),
    index("credits_person").on(t.personId),
  ],
);

/** A record store of others, to which an organisation posts who attended and who passed (xAPI). */
export const recordStores = pgTable("record_stores", {
  organisationId: organisationId().primaryKey(),
  url: text("url").notNull(),
  userName: text("user_name").notNull(),
  passwordSealed: text("password_sealed").notNull(),
});

/** One posting of a date's statements: how far it came, and how the store last answered. */
export const statementPosts = pgTable(
  "statement_posts",
  {
    occurrenceId: occurrenceId().primaryKey(),
    organisationId: organisationId(),
    askedAt: instant("asked_at").notNull(),
    /** null: nothing is left to do */
    dueAt: instant("due_at"),
    attempts: integer("attempts").notNull().default(0),
    sent: integer("sent").notNull().default(0),
    total: integer("total"),
    answer: text("answer", { enum: ["answered", "refused", "silent"] }),
  },
  (t) => [index("statement_posts_due").on(t.dueAt)],
);

/** What people are asked after an event's dates (rule 30). */
export const surveys = pgTable("surveys", {
  eventId: uuid("event_id")
    .primaryKey()
    .references(() => events.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  questions: jsonb("questions").$type<readonly SurveyQuestion[]>().notNull(),
  /** answers are kept without whose they are */
  isAnonymous: boolean("is_anonymous").notNull(),
  /** its figures come with intervals */
  isSample: boolean("is_sample").notNull().default(false),
  isOn: boolean("is_on").notNull().default(true),
  version: integer("version").notNull().default(1),
});

/** Who has answered; of an anonymous survey nothing more, not even when. */
export const surveyReplies = pgTable(
  "survey_replies",
  {
    occurrenceId: occurrenceId(),
    ticketId: uuid("ticket_id").notNull(),
    organisationId: organisationId(),
  },
  (t) => [primaryKey({ columns: [t.occurrenceId, t.ticketId] })],
);

export const surveyAnswers = pgTable(
  "survey_answers",
  {
    id: uuid("id")
      .primaryKey()
      .default(sql`gen_random_uuid()`),
    organisationId: organisationId(),
    occurrenceId: occurrenceId(),
    /** null where it is anonymous */
    ticketId: uuid("ticket_id"),
    /** a print of what the answering browser was given, to change an anonymous answer */
    editPrint: text("edit_print"),
    answers: jsonb("answers").$type<SurveyAnswers>().notNull(),
    /** null where it is anonymous */
    at: instant("at"),
  },
  (t) => [
    index("survey_answers_date").on(t.occurrenceId, t.id),
    uniqueIndex("survey_answers_ticket")
      .on(t.occurrenceId, t.ticketId)
      .where(sql`ticket_id is not null`),
  ],
);

/** A link by which others read a report's summary; its token is derived from the id. */
export const summaryLinks = pgTable(
  "summary_links",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: occurrenceId(),
    withNames: boolean("with_names").notNull(),
    createdAt: instant("created_at").notNull(),
    expiresAt: instant("expires_at").notNull(),
    revokedAt: instant("revoked_at"),
  },
  (t) => [index("summary_links_date").on(t.occurrenceId)],
);

/** A visitor's day at an event's public page (rule 29). */
export const visits = pgTable(
  "visits",
  {
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    /** UTC, as `2026-11-26` */
    day: text("day").notNull(),
    visitor: text("visitor").notNull(),
    organisationId: organisationId(),
    /** the tag of the day's first visit; "" for none */
    via: text("via").notNull(),
  },
  (t) => [primaryKey({ columns: [t.eventId, t.day, t.visitor] })],
);

/** The key under which a day's visitors are told apart; thrown away when the day is over. */
export const visitKeys = pgTable("visit_keys", { day: text("day").primaryKey(), key: text("key").notNull() });

/** What a date that was held came to, counted once and anew after each correction: the year is read from these. */
export const dateFigures = pgTable(
  "date_figures",
  {
    occurrenceId: occurrenceId().primaryKey(),
    organisationId: organisationId(),
    startAt: instant("start_at").notNull(),
    registered: integer("registered").notNull(),
    came: integer("came").notNull(),
    registeredCame: integer("registered_came").notNull(),
    stayed: integer("stayed").notNull(),
    tookPart: integer("took_part").notNull(),
    peak: integer("peak").notNull(),
    peakAt: instant("peak_at"),
    presentMinutes: real("present_minutes").notNull(),
    showMinutes: real("show_minutes").notNull(),
    medianStayMinutes: real("median_stay_minutes").notNull(),
    /** of those who came: at an earlier date of the organisation within a year */
    returning: integer("returning").notNull(),
    questions: integer("questions").notNull(),
    watchedSeconds: real("watched_seconds").notNull(),
    viewers: integer("viewers").notNull(),
    mailsSent: integer("mails_sent").notNull(),
    mailsFailed: integer("mails_failed").notNull(),
    /** of those who registered and of those of them who came, by days before the start: 0, 1–2, 3–6, 7–13, 14 and more */
    registeredByLead: jsonb("registered_by_lead").$type<readonly number[]>().notNull(),
    cameByLead: jsonb("came_by_lead").$type<readonly number[]>().notNull(),
    countedAt: instant("counted_at").notNull(),
  },
  (t) => [index("date_figures_year").on(t.organisationId, t.startAt)],
);
