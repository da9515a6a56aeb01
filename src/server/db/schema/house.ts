import { index, integer, jsonb, pgTable, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import type { BusyCalendar } from "@/core/people";
import { instant, organisationId } from "./columns";
import { events } from "./events";

/** The right to one room of a size at a time. One row a licence. */
export const licences = pgTable(
  "licences",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    size: integer("size").notNull(),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("licences_organisation").on(t.organisationId, t.size)],
);

/** A producer's wish for a larger house, and what whoever runs the house said. */
export const seatRequests = pgTable(
  "seat_requests",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    requestedBy: uuid("requested_by").notNull(),
    wantedSize: integer("wanted_size").notNull(),
    note: text("note").notNull().default(""),
    state: text("state", { enum: ["open", "granted", "declined"] })
      .notNull()
      .default("open"),
    answer: text("answer"),
    decidedBy: text("decided_by"),
    decidedAt: instant("decided_at"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("seat_requests_organisation").on(t.organisationId, t.state, t.createdAt)],
);

/** An event's settings, sheet, polls, questions and words, without anybody's data. */
export const templates = pgTable(
  "templates",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    name: text("name").notNull(),
    /** checked by contracts/template-body when it is read */
    body: jsonb("body").$type<unknown>().notNull(),
    updatedAt: instant("updated_at").notNull(),
  },
  (t) => [uniqueIndex("templates_name").on(t.organisationId, t.name)],
);

/** Somebody's own calendar, as far as free and busy go: no title of an entry is kept. */
export const busyCalendars = pgTable(
  "busy_calendars",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    personId: uuid("person_id").notNull(),
    name: text("name").notNull(),
    body: jsonb("body").$type<StoredCalendar>().notNull(),
    readAt: instant("read_at").notNull(),
  },
  (t) => [index("busy_calendars_person").on(t.personId)],
);

/** A busy calendar as JSON keeps it: a map's pairs instead of the map. */
export interface StoredCalendar {
  readonly spans: BusyCalendar["spans"];
  readonly entries: readonly (Omit<BusyCalendar["entries"][number], "overrides"> & {
    overrides: [string, { startLocal: string; durationMinutes: number } | null][];
  })[];
}
