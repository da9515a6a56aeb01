import { index, integer, jsonb, pgTable, primaryKey, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import type { InkBody } from "@/core/room";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";
import { rooms } from "./room";

/** The boards of a date, by the order that they were made in. */
export const drawingBoards = pgTable(
  "drawing_boards",
  {
    id: uuid("id").notNull(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    title: text("title").notNull(),
    /** the side room that it was drawn in; null for the main room's */
    sideRoom: integer("side_room"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    // a side room's board is named by room and hour alone
    primaryKey({ columns: [t.occurrenceId, t.id] }),
    index("drawing_boards_occurrence").on(t.occurrenceId, t.createdAt),
  ],
);

/**
 * Every act on a board or on a page of slides (rule 22). `n` is its place on its surface, which makes the picture;
 * `rev` its place in the feed that carries it.
 */
export const inkActs = pgTable(
  "ink_acts",
  {
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    surfaceId: uuid("surface_id").notNull(),
    page: integer("page").notNull(),
    n: integer("n").notNull(),
    topic: text("topic").notNull(),
    rev: integer("rev").notNull(),
    organisationId: organisationId(),
    /** the client's command: a repeated one is the same act */
    actId: uuid("act_id").notNull(),
    authorTicketId: uuid("author_ticket_id").notNull(),
    body: jsonb("body").$type<InkBody>().notNull(),
    at: instant("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.roomId, t.surfaceId, t.page, t.n] }),
    uniqueIndex("ink_acts_feed").on(t.roomId, t.topic, t.rev),
    uniqueIndex("ink_acts_act").on(t.roomId, t.actId),
    index("ink_acts_author").on(t.authorTicketId),
  ],
);

/** What the holding picture of a date says. */
export const holdingPictures = pgTable("holding_pictures", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  message: text("message").notNull(),
});
