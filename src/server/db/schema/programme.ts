import { boolean, index, integer, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { binary, instant, organisationId } from "./columns";
import { occurrences } from "./events";
import { rooms } from "./room";

/** Who makes a feed of a room just now, by a lease that every piece renews; its pieces are numbered here (rule 26). */
export const programmeFeeds = pgTable(
  "programme_feeds",
  {
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    /** `programme`, or `sound:es` of an interpreter's channel */
    feed: text("feed").notNull(),
    holderId: uuid("holder_id").notNull(),
    /** of the page that holds it: a person may have several */
    device: uuid("device").notNull(),
    renewedAt: instant("renewed_at").notNull(),
    lastPiece: integer("last_piece").notNull().default(0),
    lastInit: integer("last_init").notNull().default(0),
  },
  (t) => [primaryKey({ columns: [t.roomId, t.feed] })],
);

/** Pieces that are kept because the hour was recorded when they came; the rest is gone after some seconds. */
export const recordedPieces = pgTable(
  "recorded_pieces",
  {
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    feed: text("feed").notNull(),
    number: integer("number").notNull(),
    initNumber: integer("init_number").notNull(),
    at: instant("at").notNull(),
    durationMs: integer("duration_ms").notNull(),
    isHolding: boolean("is_holding").notNull(),
    sizeBytes: integer("size_bytes").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.roomId, t.feed, t.number] }),
    index("recorded_pieces_organisation").on(t.organisationId),
  ],
);

/** Pieces that could not be written to the files: here the other processes find them, for their viewers, for a minute. */
export const passedPieces = pgTable(
  "passed_pieces",
  {
    /** as its file would be called */
    name: text("name").primaryKey(),
    roomId: uuid("room_id")
      .notNull()
      .references(() => rooms.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    /** reads the pieces after it, and waits for longer */
    isInit: boolean("is_init").notNull(),
    at: instant("at").notNull(),
    bytes: binary("bytes").notNull(),
  },
  (t) => [index("passed_pieces_at").on(t.at), index("passed_pieces_room").on(t.roomId)],
);

/** Screens that watch without a seat, each by a number that its page made up: counted, never told apart. */
export const overflowWatchers = pgTable(
  "overflow_watchers",
  {
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    watcher: uuid("watcher").notNull(),
    lastAt: instant("last_at").notNull(),
  },
  (t) => [
    primaryKey({ columns: [t.occurrenceId, t.watcher] }),
    index("overflow_watchers_date").on(t.occurrenceId, t.lastAt),
    index("overflow_watchers_last").on(t.lastAt),
  ],
);

/** How many screens of a date watched without a seat, and how many at the same time at most: counts outlive the screens. */
export const overflowTotals = pgTable("overflow_totals", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  screens: integer("screens").notNull(),
  mostAtOnce: integer("most_at_once").notNull(),
});
