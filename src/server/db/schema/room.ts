import { sql } from "drizzle-orm";
import {
  boolean,
  index,
  integer,
  jsonb,
  pgTable,
  primaryKey,
  text,
  uniqueIndex,
  uuid,
  type AnyPgColumn,
} from "drizzle-orm/pg-core";
import type { Choice } from "@/core/polls";
import { tempers } from "@/core/crowd";
import { questionStates } from "@/core/questions";
import { places, type EntryBody, type OutwardAct } from "@/core/room";
import { instant, organisationId } from "./columns";
import { occurrences, tickets } from "./events";
import { polls } from "./run-sheet";

/**
 * Where something happens live. A date has one main room; a side room has a parent. Commands lock the
 * row; its `seq` is the journal's last.
 */
export const rooms = pgTable(
  "rooms",
  {
    id: uuid("id")
      .primaryKey()
      .default(sql`gen_random_uuid()`),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    parentId: uuid("parent_id").references((): AnyPgColumn => rooms.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    seq: integer("seq").notNull().default(0),
  },
  (t) => [
    uniqueIndex("rooms_main")
      .on(t.occurrenceId)
      .where(sql`parent_id is null`),
  ],
);

const roomId = () =>
  uuid("room_id")
    .notNull()
    .references(() => rooms.id, { onDelete: "cascade" });

export const journal = pgTable(
  "journal",
  {
    roomId: roomId(),
    seq: integer("seq").notNull(),
    organisationId: organisationId(),
    at: instant("at").notNull(),
    /** a ticket's id, or "system" */
    actorId: text("actor_id").notNull(),
    /** given by the client; on the first row of a command */
    commandId: uuid("command_id"),
    body: jsonb("body").$type<EntryBody>().notNull(),
  },
  (t) => [primaryKey({ columns: [t.roomId, t.seq] }), uniqueIndex("journal_command").on(t.roomId, t.commandId)],
);

/** The folded state every so many rows: opening a room costs the rows since, not its history. */
export const roomCheckpoints = pgTable("room_checkpoints", {
  roomId: roomId().primaryKey(),
  organisationId: organisationId(),
  seq: integer("seq").notNull(),
  state: jsonb("state").notNull(),
});

/** Acts outside the room that a row asked for (mails, the audit log): done after the commit, lost by no crash. */
export const roomOutbox = pgTable(
  "room_outbox",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    roomId: roomId(),
    actorId: text("actor_id").notNull(),
    act: jsonb("act").$type<OutwardAct>().notNull(),
    at: instant("at").notNull(),
  },
  (t) => [index("room_outbox_at").on(t.at)],
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
    /** the record knows who asked; screens and files do not */
    isAnonymous: boolean("is_anonymous").notNull().default(false),
    /** its answer goes by mail after the date */
    isByMail: boolean("is_by_mail").notNull().default(false),
    /** asked by somebody who watched the recording: where it stood */
    recordingSeconds: integer("recording_seconds"),
    /** the one that it is asked together with */
    mergedInto: uuid("merged_into"),
  },
  (t) => [
    index("questions_occurrence").on(t.occurrenceId, t.askedAt),
    index("questions_asker").on(t.askerTicketId),
    index("questions_merged")
      .on(t.mergedInto)
      .where(sql`merged_into is not null`),
  ],
);

export const questionComments = pgTable(
  "question_comments",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    questionId: uuid("question_id")
      .notNull()
      .references(() => questions.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id").notNull(),
    text: text("text").notNull(),
    at: instant("at").notNull(),
  },
  (t) => [index("question_comments_question").on(t.questionId, t.at), index("question_comments_ticket").on(t.ticketId)],
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
    /** of the poll's questions */
    questionId: text("question_id").notNull(),
    choice: jsonb("choice").$type<Choice>().notNull(),
    at: instant("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.pollId, t.ticketId, t.questionId] }), index("ballots_ticket").on(t.ticketId)],
);

/**
 * One device of one person at one place, from and to: whoever moves ends one stay and begins the next. Signs are
 * written in batches; `lastSignAt` closes what was lost. Attendance (rule 13) reads these.
 */
export const stays = pgTable(
  "stays",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    /** the device's stream, which its signs of life name: it stays at one place after another */
    connectionId: uuid("connection_id").notNull(),
    ticketId: uuid("ticket_id"),
    /** set for imported entries of people without a ticket */
    personId: uuid("person_id"),
    /** ties the reconnections of somebody without ticket or address together */
    chainId: text("chain_id").notNull(),
    role: text("role").notNull(),
    device: text("device").notNull(),
    place: text("place", { enum: places }).notNull(),
    fromAt: instant("from_at").notNull(),
    lastSignAt: instant("last_sign_at").notNull(),
    /** null while it lasts */
    toAt: instant("to_at"),
    /** how loud a caller is, 0–100; null for devices that measure their own */
    level: integer("level"),
    /** the import that brought it; null for live ones */
    importKey: text("import_key"),
  },
  (t) => [
    index("stays_occurrence").on(t.occurrenceId, t.toAt),
    index("stays_room").on(t.roomId, t.toAt),
    index("stays_ticket").on(t.ticketId),
    index("stays_connection").on(t.connectionId),
    index("stays_silent")
      .on(t.lastSignAt)
      .where(sql`to_at is null`),
    uniqueIndex("stays_import").on(t.occurrenceId, t.importKey),
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

/** The invented house that fills a rehearsal (rule 27); its people go with it. */
/** Somebody asked to be called: their number is kept for as long as it rings, and no longer. */
export const callBacks = pgTable(
  "call_backs",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    ticketId: uuid("ticket_id")
      .notNull()
      .references(() => tickets.id, { onDelete: "cascade" }),
    number: text("number").notNull(),
    askedAt: instant("asked_at").notNull(),
  },
  (table) => [
    index("call_backs_ticket").on(table.ticketId),
    index("call_backs_number").on(table.organisationId, table.number),
    index("call_backs_asked").on(table.askedAt),
  ],
);

export const crowds = pgTable("crowds", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  size: integer("size").notNull(),
  temper: text("temper", { enum: tempers }).notNull(),
  seed: integer("seed").notNull(),
  startedAt: instant("started_at").notNull(),
});
