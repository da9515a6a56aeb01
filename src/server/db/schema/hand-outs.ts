import { bigint, boolean, index, integer, pgTable, primaryKey, text, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";

/** A file for the audience of one date: before, during and after the hour, shown or not yet. */
export const handOuts = pgTable(
  "hand_outs",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    mediaType: text("media_type").notNull(),
    sizeBytes: bigint("size_bytes", { mode: "number" }).notNull(),
    isShown: boolean("is_shown").notNull().default(false),
    /** its place in the list */
    position: integer("position").notNull(),
    /** how often it was taken */
    takenCount: integer("taken_count").notNull().default(0),
    /** whose it is, where somebody of the stage brought it */
    ticketId: uuid("ticket_id"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    index("hand_outs_organisation").on(t.organisationId),
    index("hand_outs_occurrence").on(t.occurrenceId, t.position),
  ],
);

/** Who took a file, where a ticket stands behind it: the first time; whoever has none is in the file's count alone. */
export const handOutTakings = pgTable(
  "hand_out_takings",
  {
    handOutId: uuid("hand_out_id")
      .notNull()
      .references(() => handOuts.id, { onDelete: "cascade" }),
    ticketId: uuid("ticket_id").notNull(),
    organisationId: organisationId(),
    at: instant("at").notNull(),
  },
  (t) => [primaryKey({ columns: [t.handOutId, t.ticketId] }), index("hand_out_takings_ticket").on(t.ticketId)],
);
