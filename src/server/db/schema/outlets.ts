import { boolean, index, integer, pgTable, text, uuid } from "drizzle-orm/pg-core";
import { outletStates } from "@/core/programme";
import { instant, organisationId } from "./columns";
import { events } from "./events";

/**
 * Another place that an event's programme is sent to. One process at a time sends to it: by a lease in the row, which
 * it renews for as long as it does.
 */
export const outlets = pgTable(
  "outlets",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    address: text("address").notNull(),
    keySealed: text("key_sealed").notNull(),
    isOn: boolean("is_on").notNull().default(true),
    createdAt: instant("created_at").notNull(),
    holderId: text("holder_id"),
    renewedAt: instant("renewed_at"),
    state: text("state", { enum: outletStates }).notNull().default("waits"),
    stateAt: instant("state_at"),
    /** tries in a row that came to nothing */
    failures: integer("failures").notNull().default(0),
    nextTryAt: instant("next_try_at"),
  },
  (t) => [index("outlets_event").on(t.eventId, t.createdAt)],
);
