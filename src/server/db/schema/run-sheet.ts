import { sceneKinds } from "@/core/room";
import type { PollQuestion } from "@/core/polls";
import { pgTable, uuid, integer, text, index, jsonb, boolean } from "drizzle-orm/pg-core";
import { organisationId, instant } from "./columns";
import { occurrences } from "./events";

export const segments = pgTable(
  "segments",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    title: text("title").notNull(),
    lengthMinutes: integer("length_minutes").notNull(),
    /** wall time in the date's zone; null where it follows the one before */
    fixedStartLocal: text("fixed_start_local"),
    leaderTicketId: uuid("leader_ticket_id"),
    /** whoever leads beside them */
    besideTicketIds: jsonb("beside_ticket_ids").$type<readonly string[]>().notNull().default([]),
    pollId: uuid("poll_id"),
    /** its deck, which opens with its cue, and at which page */
    deckId: uuid("deck_id"),
    deckPage: integer("deck_page").notNull().default(1),
    /** how the picture is arranged when it begins */
    scene: text("scene", { enum: sceneKinds }),
    /** credit is for being there in it; where no segment carries it, it is for the whole show */
    carriesCredit: boolean("carries_credit").notNull().default(false),
  },
  (t) => [index("segments_occurrence").on(t.occurrenceId, t.position)],
);

export const polls = pgTable(
  "polls",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    questions: jsonb("questions").$type<readonly PollQuestion[]>().notNull(),
    isAnonymous: boolean("is_anonymous").notNull().default(false),
    isLocked: boolean("is_locked").notNull().default(false),
    limitSeconds: integer("limit_seconds"),
    isSample: boolean("is_sample").notNull().default(false),
    state: text("state", { enum: ["prepared", "open", "closed"] })
      .notNull()
      .default("prepared"),
    isRevealed: boolean("is_revealed").notNull().default(false),
    openedAt: instant("opened_at"),
    closedAt: instant("closed_at"),
    /** when it closes by itself */
    closesAt: instant("closes_at"),
  },
  (t) => [index("polls_occurrence").on(t.occurrenceId, t.position)],
);

/** One session of a date's agenda, with a title, a leader and hours of its own. */
export const parts = pgTable(
  "parts",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    position: integer("position").notNull(),
    title: text("title").notNull(),
    startLocal: text("start_local").notNull(),
    lengthMinutes: integer("length_minutes").notNull(),
    leaderTicketId: uuid("leader_ticket_id"),
  },
  (t) => [index("parts_occurrence").on(t.occurrenceId, t.position)],
);
