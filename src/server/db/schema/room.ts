import { index, integer, jsonb, pgTable, primaryKey, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { questionStates } from "@/core/questions";
import type { EntryBody } from "@/core/room";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";
import { polls } from "./run-sheet";

/** The row that commands lock. Its `seq` is the journal's last. */
export const rooms = pgTable("rooms", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  seq: integer("seq").notNull().default(0),
});

export const journal = pgTable(
  "journal",
  {
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    seq: integer("seq").notNull(),
    organisationId: organisationId(),
    at: instant("at").notNull(),
    /** a ticket's id, or "system" */
    actorId: text("actor_id").notNull(),
    /** given by the client; on the first row of a command */
    commandId: uuid("command_id"),
    body: jsonb("body").$type<EntryBody>().notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.occurrenceId, t.seq] }),
    uniqueIndex("journal_command").on(t.occurrenceId, t.commandId),
  ],
);

export const questions = pgTable(
  "questions",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    askerTicketId: uuid("asker_ticket_id").notNull(),
    segmentId: uuid("segment_id"),
    text: text("text").notNull(),
    askedAt: instant("asked_at").notNull(),
    state: text("state", { enum: questionStates }).notNull().default("new"),
    answer: text("answer"),
    answeredBy: text("answered_by"),
    answeredAt: instant("answered_at"),
    answered: text("answered", { enum: ["aloud", "to-one", "to-all"] }),
  },
  (t) => [index("questions_occurrence").on(t.occurrenceId, t.askedAt)],
);

export const questionVotes = pgTable(
  "question_votes",
  {
    questionId: uuid("question_id")
      .notNull()
      .references(() => questions.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id").notNull(),
    organisationId: organisationId(),
    at: instant("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.questionId, t.ticketId] }), index("question_votes_ticket").on(t.ticketId)],
);

export const ballots = pgTable(
  "ballots",
  {
    pollId: uuid("poll_id")
      .notNull()
      .references(() => polls.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id").notNull(),
    organisationId: organisationId(),
    optionId: text("option_id").notNull(),
    at: instant("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.pollId, t.ticketId] }), index("ballots_ticket").on(t.ticketId)],
);

/** One device of one person, in and out. Written in batches; `lastSignAt` closes what was lost. */
export const connections = pgTable(
  "connections",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id"),
    /** set for imported entries of people without a ticket */
    personId: uuid("person_id"),
    /** ties the reconnections of somebody without ticket or address together */
    chainId: text("chain_id").notNull(),
    role: text("role").notNull(),
    device: text("device").notNull(),
    inAt: instant("in_at").notNull(),
    lastSignAt: instant("last_sign_at").notNull(),
    outAt: instant("out_at"),
    /** from then on in the house or on the stage; null: never got past the foyer */
    houseFromAt: instant("house_from_at"),
    /** how loud a caller is, 0–100; null for devices that measure their own */
    level: integer("level"),
    /** the import that brought it; null for live ones */
    importKey: text("import_key"),
  },
  (t) => [
    index("connections_occurrence").on(t.occurrenceId, t.outAt),
    index("connections_ticket").on(t.ticketId),
    uniqueIndex("connections_import").on(t.occurrenceId, t.importKey),
  ],
);

/** Who was let into the house, once. The journal says that doors opened; this says for whom. */
export const admissions = pgTable(
  "admissions",
  {
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id").notNull(),
    organisationId: organisationId(),
    admittedAt: instant("admitted_at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.occurrenceId, t.ticketId] })],
);
