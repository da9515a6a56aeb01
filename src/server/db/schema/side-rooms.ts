import { jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { organisationId } from "./columns";
import { occurrences } from "./events";

/** What side rooms are called, and what the desk says to all of them: words that may be erased. */
export const sideRoomSheets = pgTable("side_room_sheets", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  names: jsonb("names").$type<string[]>().notNull().default([]),
  message: text("message").notNull().default(""),
});
