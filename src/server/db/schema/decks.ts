import { bigint, boolean, index, integer, jsonb, pgTable, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";

export const deckStates = ["waiting", "making", "ready", "failed"] as const;
/** Why no page of a deck could be made. */
export const deckFailures = ["locked-pdf", "broken-pdf", "too-many-pages"] as const;

/** Slides as a PDF (rule 20); a version in another language points at the deck that it belongs to. */
export const decks = pgTable(
  "decks",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    title: text("title").notNull(),
    /** BCP 47 */
    language: text("language").notNull(),
    versionOfId: uuid("version_of_id"),
    /** people may take the file away with them */
    isHandOut: boolean("is_hand_out").notNull().default(false),
    state: text("state", { enum: deckStates }).notNull().default("waiting"),
    failure: text("failure", { enum: deckFailures }),
    pageCount: integer("page_count").notNull().default(0),
    /** fonts that the file only names: its letters may look different */
    missingFonts: jsonb("missing_fonts").$type<readonly string[]>().notNull().default([]),
    sizeBytes: bigint("size_bytes", { mode: "number" }).notNull(),
    /** whose it is, where somebody of the stage brought it */
    ticketId: uuid("ticket_id"),
    createdAt: instant("created_at").notNull(),
    /** whoever makes its pages says so again and again; one that fell silent is taken over */
    claimedAt: instant("claimed_at"),
  },
  (t) => [
    index("decks_organisation").on(t.organisationId),
    index("decks_occurrence").on(t.occurrenceId, t.createdAt),
    index("decks_state").on(t.state, t.claimedAt),
  ],
);

/** One page as it was made: its pictures and texts are files under these ids, which nobody can guess. */
export const deckPages = pgTable(
  "deck_pages",
  {
    /** of its pictures and its text */
    id: uuid("id").primaryKey(),
    deckId: uuid("deck_id")
      .notNull()
      .references(() => decks.id, { onDelete: "cascade" }),
    number: integer("number").notNull(),
    isReady: boolean("is_ready").notNull(),
    /** of the presenter's notes: for the team alone */
    notesId: uuid("notes_id"),
  },
  (t) => [uniqueIndex("deck_pages_number").on(t.deckId, t.number)],
);
