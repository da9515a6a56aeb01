import { sql } from "drizzle-orm";
import { boolean, index, integer, jsonb, pgTable, primaryKey, text, uuid, uniqueIndex } from "drizzle-orm/pg-core";
import type { HouseRules } from "@/core/organisation";
import { instant, organisationId } from "./columns";

export const organisations = pgTable("organisations", {
  id: uuid("id").primaryKey(),
  name: text("name").notNull(),
  /** host name that this organisation is served under; null for the default one */
  host: text("host").unique(),
  /** line under the name on the public page */
  about: text("about").notNull().default(""),
  zone: text("zone").notNull(),
  senderName: text("sender_name").notNull(),
  senderEmail: text("sender_email").notNull(),
  retentionDays: integer("retention_days").notNull().default(730),
  /** what differs from the standard house rules */
  rules: jsonb("rules").$type<Partial<HouseRules>>().notNull().default({}),
});

export const members = pgTable(
  "members",
  {
    organisationId: organisationId(),
    userId: text("user_id").notNull(),
    personId: uuid("person_id").notNull(),
    /** owners may do everything a producer may, in every event */
    standing: text("standing", { enum: ["owner", "producer", "crew"] }).notNull(),
  },
  (t) => [primaryKey({ columns: [t.organisationId, t.userId] })],
);

/** Somebody asked into the team. The link in their letter is derived from the id, never kept. */
export const teamInvitations = pgTable(
  "team_invitations",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    email: text("email").notNull(),
    name: text("name").notNull(),
    standing: text("standing", { enum: ["owner", "producer", "crew"] }).notNull(),
    /** null: they asked for their desk themselves, by their personal link */
    invitedBy: text("invited_by"),
    createdAt: instant("created_at").notNull(),
    expiresAt: instant("expires_at").notNull(),
    acceptedAt: instant("accepted_at"),
    withdrawnAt: instant("withdrawn_at"),
  },
  (t) => [index("team_invitations_organisation").on(t.organisationId, t.createdAt)],
);

/** Somebody of the team who forgot their password. The link in their letter is derived from the id, never kept. */
export const passwordResets = pgTable(
  "password_resets",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    userId: text("user_id").notNull(),
    createdAt: instant("created_at").notNull(),
    expiresAt: instant("expires_at").notNull(),
    usedAt: instant("used_at"),
  },
  (t) => [index("password_resets_user").on(t.userId)],
);

export const people = pgTable(
  "people",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    /** null once erased */
    name: text("name"),
    /** lower case; null once erased */
    email: text("email"),
    locale: text("locale").notNull().default("en"),
    zone: text("zone"),
    company: text("company").notNull().default(""),
    phone: text("phone").notNull().default(""),
    note: text("note").notNull().default(""),
    tags: text("tags").array().notNull().default([]),
    unsubscribedAt: instant("unsubscribed_at"),
    addressFailedAt: instant("address_failed_at"),
    /** what the mail server or its report said */
    addressFailedReason: text("address_failed_reason"),
    erasedAt: instant("erased_at"),
    createdAt: instant("created_at").notNull(),
  },
  (t) => [
    uniqueIndex("people_email").on(t.organisationId, t.email),
    index("people_name").on(t.organisationId, t.name),
    index("people_words").using("gin", sql`(coalesce(${t.name}, '') || ' ' || coalesce(${t.email}, '')) gin_trgm_ops`),
    index("people_tags").using("gin", t.tags),
  ],
);

/** Named lists of the contact book. */
export const contactGroups = pgTable(
  "contact_groups",
  { id: uuid("id").primaryKey(), organisationId: organisationId(), name: text("name").notNull() },
  (t) => [uniqueIndex("contact_groups_name").on(t.organisationId, t.name)],
);

export const groupMembers = pgTable(
  "group_members",
  {
    groupId: uuid("group_id")
      .notNull()
      .references(() => contactGroups.id, { onDelete: "cascade" }),
    personId: uuid("person_id")
      .notNull()
      .references(() => people.id, { onDelete: "cascade" }),
    organisationId: organisationId(),
  },
  (t) => [primaryKey({ columns: [t.groupId, t.personId] }), index("group_members_person").on(t.personId)],
);

export const consents = pgTable(
  "consents",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    personId: uuid("person_id").notNull(),
    ticketId: uuid("ticket_id"),
    kind: text("kind", { enum: ["registration", "recording"] }).notNull(),
    /** the version of the words that were agreed to */
    wording: text("wording").notNull(),
    givenAt: instant("given_at").notNull(),
  },
  (t) => [index("consents_person").on(t.personId)],
);

export const auditLog = pgTable(
  "audit_log",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    at: instant("at").notNull(),
    actorId: text("actor_id").notNull(),
    action: text("action").notNull(),
    eventId: uuid("event_id"),
    occurrenceId: uuid("occurrence_id"),
    facts: jsonb("facts").$type<Record<string, string | number>>().notNull().default({}),
  },
  (t) => [index("audit_at").on(t.organisationId, t.at)],
);

/** Counted tries per key and window, for every limit there is. Keys are hashed. */
export const tries = pgTable(
  "tries",
  {
    key: text("key").notNull(),
    windowStart: instant("window_start").notNull(),
    count: integer("count").notNull(),
  },
  (t) => [primaryKey({ columns: [t.key, t.windowStart] }), index("tries_window").on(t.windowStart)],
);

export const seeded = pgTable("seeded", {
  name: text("name").primaryKey(),
  at: instant("at").notNull(),
  isComplete: boolean("is_complete").notNull(),
});
