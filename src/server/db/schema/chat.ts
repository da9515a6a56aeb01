import { index, integer, pgTable, primaryKey, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { chatTargets } from "@/core/room";
import { instant, organisationId } from "./columns";
import { rooms } from "./room";

const roomId = () =>
  uuid("room_id")
    .notNull()
    .references(() => rooms.id, { onDelete: "cascade" });

/** How far the counter of each log feed has come: its row is the feed's own little lock. */
export const logHeads = pgTable(
  "log_heads",
  {
    roomId: roomId(),
    topic: text("topic").notNull(),
    organisationId: organisationId(),
    head: integer("head").notNull(),
  },
  (t) => [primaryKey({ columns: [t.roomId, t.topic] })],
);

/**
 * Every line that was written. `seq` is its place in its feed, `rev` its last change there by the feed's
 * counter; a line that left a feed (let through, taken away) leaves a row without words behind.
 */
export const chatLines = pgTable(
  "chat_lines",
  {
    roomId: roomId(),
    topic: text("topic").notNull(),
    seq: integer("seq").notNull(),
    rev: integer("rev").notNull(),
    organisationId: organisationId(),
    /** the client's command: a repeated one is the same line */
    lineId: uuid("line_id").notNull(),
    authorTicketId: uuid("author_ticket_id").notNull(),
    target: text("target", { enum: chatTargets }).notNull(),
    /** of a note: whom it is with */
    withTicketId: uuid("with_ticket_id"),
    text: text("text").notNull(),
    state: text("state", { enum: ["shown", "held", "removed", "moved", "past"] }).notNull(),
    isQuestion: integer("is_question").notNull().default(0),
    at: instant("at").notNull(),
    /** of a side room's question */
    answeredAt: instant("answered_at"),
  },
  (t) => [
    primaryKey({ columns: [t.roomId, t.topic, t.seq] }),
    uniqueIndex("chat_lines_rev").on(t.roomId, t.topic, t.rev),
    uniqueIndex("chat_lines_line").on(t.roomId, t.topic, t.lineId),
    index("chat_lines_author").on(t.authorTicketId),
    index("chat_lines_with").on(t.withTicketId),
  ],
);

/** What stands in a room's chat for everybody who comes in. */
export const chatEntryNotes = pgTable("chat_entry_notes", {
  roomId: roomId().primaryKey(),
  organisationId: organisationId(),
  text: text("text").notNull(),
});
