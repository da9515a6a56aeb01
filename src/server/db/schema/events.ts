import { sql } from "drizzle-orm";
import { boolean, index, integer, numeric, jsonb, pgTable, text, unique, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { pictures } from "@/core/organisation";
import type { FormField } from "@/core/front-door";
import { overflowReaches } from "@/core/programme";
import { duties, phases, roles, type PartialSwitches } from "@/core/people";
import type { RecurrenceRule } from "@/core/time";
import { instant, organisationId } from "./columns";

export const eventShapes = ["one-date", "series", "standing", "slots"] as const;
export const entryWays = ["registration", "open-link"] as const;
export const soundWays = ["computer", "phone", "both"] as const;

/** How an event looks to its guests. */
export interface Look {
  /** `#rrggbb` */
  colour: string;
  bannerId: string | null;
  logoId: string | null;
}

export const events = pgTable(
  "events",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    slug: text("slug").notNull(),
    /** stable UID of the event in calendar files */
    uid: text("uid").notNull(),
    title: text("title").notNull(),
    descriptionHtml: text("description_html").notNull().default(""),
    isPrivate: boolean("is_private").notNull().default(false),
    /** encrypted, never hashed: mails carry it */
    accessCodeSealed: text("access_code_sealed"),
    houseSize: integer("house_size").notNull(),
    /** seats that the organisation granted this event beyond its rule */
    grantedSeats: integer("granted_seats"),
    registrationLimit: integer("registration_limit"),
    /** what the audience may do; what was not thought of when the event was made has its default */
    switches: jsonb("switches").$type<PartialSwitches>().notNull().default({}),
    earlyEntry: boolean("early_entry").notNull().default(true),
    formFields: jsonb("form_fields").$type<FormField[]>().notNull().default([]),
    reminderOffsetsMinutes: jsonb("reminder_offsets_minutes").$type<number[]>().notNull().default([1440, 20]),
    shape: text("shape", { enum: eventShapes }).notNull().default("one-date"),
    /** short code that can be read out and typed on the organisation's page */
    roomCode: text("room_code"),
    entryBy: text("entry_by", { enum: entryWays }).notNull().default("registration"),
    look: jsonb("look").$type<Look>().notNull().default({ colour: "#0E5A5A", bannerId: null, logoId: null }),
    agendaShown: boolean("agenda_shown").notNull().default(true),
    /** domains whose registrations need no looking at, under approval by hand */
    approvedDomains: jsonb("approved_domains").$type<string[]>().notNull().default([]),
    approval: text("approval", { enum: ["at-once", "by-hand"] })
      .notNull()
      .default("at-once"),
    /** each device of the audience is let in by a one-time link to the registered address */
    provesAddress: boolean("proves_address").notNull().default(false),
    foyerOn: boolean("foyer_on").notNull().default(true),
    stageMicrophonesOpen: boolean("stage_microphones_open").notNull().default(false),
    stageCamerasOpen: boolean("stage_cameras_open").notNull().default(false),
    soundBy: text("sound_by", { enum: soundWays }).notNull().default("computer"),
    /** who may watch without a seat */
    overflow: text("overflow", { enum: overflowReaches }).notNull().default("nobody"),
    isRecorded: boolean("is_recorded").notNull().default(false),
    consentText: text("consent_text").notNull().default(""),
    /** where people may also come in person; "" for an hour that is only online */
    place: text("place").notNull().default(""),
    /** BCP 47 tags that the hour is interpreted into */
    interpretationInto: jsonb("interpretation_into").$type<string[]>().notNull().default([]),
    picture: text("picture", { enum: pictures }).notNull().default("cards"),
    /** dialled after the phone number; set where sound comes by phone */
    conferenceNumber: text("conference_number"),
    /** opened from anywhere without a plan: reached by its link and code, listed nowhere, tidied away by itself */
    isUnplanned: boolean("is_unplanned").notNull().default(false),
    /** two decimals are kept */
    creditPoints: numeric("credit_points", { precision: 6, scale: 2, mode: "number" }),
    /** presence checks that somebody answers at least; null: none is asked for */
    creditChecks: integer("credit_checks"),
    creditThresholdPercent: integer("credit_threshold_percent").notNull().default(75),
    /** below the threshold a part of the points, in proportion */
    creditIsPartial: boolean("credit_is_partial").notNull().default(false),
    publishedAt: instant("published_at"),
    deletedAt: instant("deleted_at"),
    /** grows with every saved edit: two editors cannot overwrite each other unseen */
    version: integer("version").notNull().default(1),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("events_slug").on(t.organisationId, t.slug),
    uniqueIndex("events_room_code").on(t.organisationId, t.roomCode),
    uniqueIndex("events_conference_number").on(t.conferenceNumber),
    index("events_deleted").on(t.deletedAt),
  ],
);

/** One stretch of dates under one rule. An event whose later dates were changed has several. */
export const series = pgTable(
  "series",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    /** stable UID of this stretch in calendar files */
    uid: text("uid").notNull(),
    rule: jsonb("rule").$type<RecurrenceRule>().notNull(),
    startLocal: text("start_local").notNull(),
    zone: text("zone").notNull(),
    durationMinutes: integer("duration_minutes").notNull(),
    exdates: jsonb("exdates").$type<string[]>().notNull().default([]),
    rdates: jsonb("rdates").$type<string[]>().notNull().default([]),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [index("series_event").on(t.eventId)],
);

export const occurrences = pgTable(
  "occurrences",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    /** a rehearsal is for stage people alone */
    kind: text("kind", { enum: ["show", "rehearsal", "slot"] })
      .notNull()
      .default("show"),
    /** the recording that is watched together at this date; null: people are on stage */
    screeningOf: uuid("screening_of"),
    /** null: a single date */
    seriesId: uuid("series_id").references(() => series.id, { onDelete: "set null" }),
    /** the seat licence it is given; may move to another until it is live */
    licenceId: uuid("licence_id"),
    /** false: opened at once or from a standing room; its end is only what the seats are held for */
    hasPlannedEnd: boolean("has_planned_end").notNull().default(true),
    /** figures of a date that was held, for forecasts; null until counted */
    registeredCount: integer("registered_count"),
    cameCount: integer("came_count"),
    peakCount: integer("peak_count"),
    /** the follow-ups whose recipients were found, be they none: each is looked at once */
    followedUp: uuid("followed_up")
      .array()
      .notNull()
      .default(sql`'{}'::uuid[]`),
    /** the wall time the rule gave, before any move: the key of an override */
    originalStartLocal: text("original_start_local").notNull(),
    startLocal: text("start_local").notNull(),
    zone: text("zone").notNull(),
    durationMinutes: integer("duration_minutes").notNull(),
    callMinutes: integer("call_minutes").notNull().default(20),
    /** derived from wall time and zone; kept once the date is past */
    startAt: instant("start_at").notNull(),
    endAt: instant("end_at").notNull(),
    phase: text("phase", { enum: phases }).notNull().default("scheduled"),
    doorsOpenedAt: instant("doors_opened_at"),
    showStartedAt: instant("show_started_at"),
    endedAt: instant("ended_at"),
    /** what those concerned read of a cancelled date */
    cancelledWhy: text("cancelled_why"),
    /** SEQUENCE of its calendar entry */
    sequence: integer("sequence").notNull().default(0),
  },
  (t) => [
    index("occurrences_start").on(t.organisationId, t.startAt),
    index("occurrences_phase").on(t.phase, t.endAt),
    uniqueIndex("occurrences_original").on(t.eventId, t.kind, t.originalStartLocal),
    index("occurrences_series").on(t.seriesId),
    index("occurrences_screening")
      .on(t.startAt)
      .where(sql`screening_of is not null`),
    index("occurrences_event").on(t.eventId, t.startAt),
  ],
);

/** A personal way in: a registrant's ticket for a date, or a stage person's for the whole event. */
export const tickets = pgTable(
  "tickets",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    /** null: all dates of the event (stage people) */
    occurrenceId: uuid("occurrence_id").references(() => occurrences.id, { onDelete: "cascade" }),
    personId: uuid("person_id").notNull(),
    role: text("role", { enum: roles }).notNull(),
    duties: jsonb("duties").$type<(typeof duties)[number][]>().notNull().default([]),
    status: text("status", { enum: ["registered", "waiting", "cancelled", "pending", "declined"] })
      .notNull()
      .default("registered"),
    /** part of the link's derivation: raising it revokes the old link */
    linkVersion: integer("link_version").notNull().default(1),
    revokedAt: instant("revoked_at"),
    /** shown out of a room; cleared when let back */
    barredAt: instant("barred_at"),
    answers: jsonb("answers").$type<Record<string, string>>().notNull().default({}),
    source: text("source"),
    registeredAt: instant("registered_at").notNull(),
    waitingSince: instant("waiting_since"),
    /** the entry in its holder's calendar, once it was moved from one date to another: the same is changed, no second made */
    calendarUid: text("calendar_uid"),
    calendarSequence: integer("calendar_sequence").notNull().default(0),
    invitedAt: instant("invited_at"),
    /** an interpreter's pair, from and to, as BCP 47 tags */
    /** a line about somebody of the stage, for the public page */
    aboutLine: text("about_line").notNull().default(""),
    portraitId: uuid("portrait_id"),
    /** how they are called in the room where that differs from their name */
    roomName: text("room_name"),
    languages: jsonb("languages").$type<[string, string]>(),
    reply: text("reply", { enum: ["coming", "not-coming", "unsure"] }),
    repliedAt: instant("replied_at"),
    /** when sound and picture were last tried with real devices */
    techCheckedAt: instant("tech_checked_at"),
  },
  (t) => [
    unique("tickets_person").on(t.eventId, t.occurrenceId, t.personId).nullsNotDistinct(),
    index("tickets_occurrence").on(t.occurrenceId, t.status, t.waitingSince),
    index("tickets_of_person").on(t.personId),
  ],
);

export const invitees = pgTable(
  "invitees",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    personId: uuid("person_id").notNull(),
    invitedAt: instant("invited_at").notNull(),
    reply: text("reply", { enum: ["coming", "not-coming", "unsure"] }),
    repliedAt: instant("replied_at"),
  },
  (t) => [uniqueIndex("invitees_person").on(t.eventId, t.personId)],
);

/** What a change of dates replaced, so that it can be undone. */
export const dateChanges = pgTable(
  "date_changes",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    eventId: uuid("event_id")
      .notNull()
      .references(() => events.id, { onDelete: "cascade" }),
    at: instant("at").notNull(),
    actorId: text("actor_id").notNull(),
    before: jsonb("before").$type<DatesBefore>().notNull(),
    undoneAt: instant("undone_at"),
  },
  (t) => [index("date_changes_event").on(t.eventId, t.at)],
);

export interface DatesBefore {
  readonly series: readonly {
    id: string;
    uid: string;
    rule: RecurrenceRule;
    startLocal: string;
    zone: string;
    durationMinutes: number;
    exdates: string[];
    rdates: string[];
  }[];
  readonly dates: readonly {
    id: string;
    seriesId: string | null;
    originalStartLocal: string;
    startLocal: string;
    durationMinutes: number;
    phase: (typeof phases)[number];
  }[];
}

/** What was counted of a date whose event is gone for good: figures without people (rule 5). */
export const dateRecords = pgTable(
  "date_records",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    title: text("title").notNull(),
    startAt: instant("start_at").notNull(),
    zone: text("zone").notNull(),
    registeredCount: integer("registered_count").notNull(),
    cameCount: integer("came_count").notNull(),
    peakCount: integer("peak_count").notNull(),
  },
  (t) => [index("date_records_organisation").on(t.organisationId, t.startAt)],
);
