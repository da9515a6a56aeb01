import { sql } from "drizzle-orm";
import { index, pgTable, primaryKey, real, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { recordings } from "./recordings";

/** Who has watched a recording: somebody with a ticket, or one browser of which nothing else is known (rule 14). */
export const viewers = pgTable(
  "viewers",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    recordingId: uuid("recording_id")
      .notNull()
      .references(() => recordings.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id"),
    /** of a browser's cookie, hashed; null for somebody with a ticket */
    browser: text("browser"),
    firstAt: instant("first_at").notNull(),
    lastAt: instant("last_at").notNull(),
  },
  (t) => [
    uniqueIndex("viewers_ticket")
      .on(t.recordingId, t.ticketId)
      .where(sql`ticket_id is not null`),
    uniqueIndex("viewers_browser")
      .on(t.recordingId, t.browser)
      .where(sql`browser is not null`),
    index("viewers_by_ticket").on(t.ticketId),
  ],
);

/** One stretch that somebody played without a jump, in seconds of the recording; it grows while it is played. */
export const plays = pgTable(
  "plays",
  {
    viewerId: uuid("viewer_id")
      .notNull()
      .references(() => viewers.id, { onDelete: "cascade" }),
    /** the page's own: what is sent again is the same stretch */
    playId: uuid("play_id").notNull(),
    organisationId: organisationId(),
    /** one opening of the page */
    viewId: uuid("view_id").notNull(),
    fromSeconds: real("from_seconds").notNull(),
    toSeconds: real("to_seconds").notNull(),
  },
  (t) => [primaryKey({ columns: [t.viewerId, t.playId] })],
);
