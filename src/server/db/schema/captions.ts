import { index, integer, pgTable, primaryKey, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { rooms } from "./room";

/** What captioners wrote, line by line (rule 24). `rev` is its last change by the feed's counter; a correction keeps `at`. */
export const captionLines = pgTable(
  "caption_lines",
  {
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    seq: integer("seq").notNull(),
    rev: integer("rev").notNull(),
    organisationId: organisationId(),
    /** the client's command: a repeated one is the same line */
    lineId: uuid("line_id").notNull(),
    language: text("language").notNull(),
    authorTicketId: uuid("author_ticket_id").notNull(),
    text: text("text").notNull(),
    at: instant("at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.roomId, t.seq] }),
    uniqueIndex("caption_lines_rev").on(t.roomId, t.rev),
    uniqueIndex("caption_lines_line").on(t.roomId, t.lineId),
    index("caption_lines_language").on(t.roomId, t.language, t.seq),
    index("caption_lines_author").on(t.authorTicketId),
  ],
);
