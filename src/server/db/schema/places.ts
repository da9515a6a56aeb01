import { integer, pgTable, uuid } from "drizzle-orm/pg-core";
import { organisationId } from "./columns";
import { occurrences } from "./events";

/**
 * How many attendees are registered for a date. Triggers on `tickets` keep it (migration 0007), so that
 * taking a place locks and reads one row instead of counting the list. Its row is the lock of the date's places.
 */
export const datePlaces = pgTable("date_places", {
  occurrenceId: uuid("occurrence_id")
    .primaryKey()
    .references(() => occurrences.id, { onDelete: "cascade" }),
  organisationId: organisationId(),
  taken: integer("taken").notNull().default(0),
});
