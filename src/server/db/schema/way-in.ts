import { index, integer, jsonb, pgTable, text, uuid } from "drizzle-orm/pg-core";
import type { RecurrenceRule } from "@/core/time";
import { instant, organisationId } from "./columns";
import { events, tickets } from "./events";

/** One-time links that prove an address. The link's token is derived from the id; a used one opens its device alone. */
export const entryProofs = pgTable(
  "entry_proofs",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    ticketId: uuid("ticket_id")
      .notNull()
      .references(() => tickets.id, { onDelete: "cascade" }),
    askedAt: instant("asked_at").notNull(),
    /** what the link opens: the room on one more device, or the file of everything kept of its person */
    purpose: text("purpose", { enum: ["entry", "own-file"] })
      .notNull()
      .default("entry"),
    usedAt: instant("used_at"),
    /** a print of what the device that opened the link was given: the link itself opens nothing again */
    devicePrint: text("device_print"),
  },
  (t) => [index("entry_proofs_ticket").on(t.ticketId, t.askedAt)],
);

/** A picture of an event's look or of somebody on stage: always re-made by us, never the bytes that came. */
export const eventPictures = pgTable(
  "event_pictures",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    width: integer("width").notNull(),
    height: integer("height").notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("event_pictures_event").on(t.eventId)],
);

/** A file for visitors, offered on the public page, the ticket and in the room. */
export const eventFiles = pgTable(
  "event_files",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    name: text("name").notNull(),
    mediaType: text("media_type").notNull(),
    sizeBytes: integer("size_bytes").notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("event_files_event").on(t.eventId, t.createdAt)],
);

/** Hours of an event of the shape "slots", given out in pieces; each booked piece is a date of the event. */
export const slotPlans = pgTable(
  "slot_plans",
  {
    eventId: uuid("event_id")
      .primaryKey()
      .references(() => events.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
    /** the event whose stage is tried; null for open hours */
    forEventId: uuid("for_event_id"),
    startLocal: text("start_local").notNull(),
    untilClock: text("until_clock").notNull(),
    zone: text("zone").notNull(),
    lengthMinutes: integer("length_minutes").notNull(),
    pauseMinutes: integer("pause_minutes").notNull(),
    capacity: integer("capacity").notNull(),
    rule: jsonb("rule").$type<RecurrenceRule>(),
    /** no more bookings are taken from then on */
    closedAt: instant("closed_at"),
  },
  (t) => [index("slot_plans_organisation").on(t.organisationId)],
);
