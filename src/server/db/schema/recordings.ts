import type { Span } from "@/core/programme";
import { recordingAudiences, type RecordingEdit } from "@/core/watching";
import { sql } from "drizzle-orm";
import { bigint, index, integer, jsonb, pgTable, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";

export const recordingStates = ["waiting", "joining", "ready", "failed"] as const;

export const editStates = ["none", "waiting", "making", "failed"] as const;

export const recordings = pgTable(
  "recordings",
  {
    id: uuid("id").primaryKey(),
    organisationId: organisationId(),
    occurrenceId: uuid("occurrence_id")
      .notNull()
      .references(() => occurrences.id, { onDelete: "cascade" }),
    slug: text("slug").notNull(),
    title: text("title").notNull(),
    /** name below the storage folder; never a path of the uploader's */
    fileName: text("file_name").notNull(),
    mediaType: text("media_type", { enum: ["video/webm", "video/mp4"] }).notNull(),
    sizeBytes: bigint("size_bytes", { mode: "number" }).notNull(),
    durationSeconds: integer("duration_seconds"),
    /** an upload is ready at once; what the room recorded is joined first */
    state: text("state", { enum: recordingStates }).notNull().default("ready"),
    /** of what the room recorded: its spans of wall time (rule 25), and the numbers of its first and last piece */
    spans: jsonb("spans").$type<readonly Span[]>(),
    fromPiece: integer("from_piece"),
    toPiece: integer("to_piece"),
    /** whoever joins it says so again and again; one that fell silent is taken over */
    claimedAt: instant("claimed_at"),
    /** what is done to it, over the untouched original; null: nothing */
    edit: jsonb("edit").$type<RecordingEdit>(),
    /** whether a file of what stays is still to be made */
    editState: text("edit_state", { enum: editStates }).notNull().default("none"),
    /** what is watched in place of the original: its file, and what of the original it came to (rule 25) */
    editedFile: text("edited_file"),
    editedBytes: bigint("edited_bytes", { mode: "number" }),
    kept: jsonb("kept").$type<readonly Span[]>(),
    /** the sound alone of what is watched; null while there is none */
    soundFile: text("sound_file"),
    soundBytes: bigint("sound_bytes", { mode: "number" }),
    /** of which file it was made, or tried */
    soundOf: text("sound_of"),
    uploadedAt: instant("uploaded_at").notNull(),
    /** seen by visitors from then on; null: not published */
    publishedFrom: instant("published_from"),
    /** and until then; null: for as long as it is kept */
    publishedUntil: instant("published_until"),
    /** in the bin since then: its file goes a week later */
    deletedAt: instant("deleted_at"),
    /** a picture of it that stands for it; null: none was taken */
    pictureId: uuid("picture_id"),
    /** that picture where nobody chose it, and of which file it was made, or tried */
    stillId: uuid("still_id"),
    stillOf: text("still_of"),
    audience: text("audience", { enum: recordingAudiences }).notNull().default("everyone"),
  },
  (t) => [
    uniqueIndex("recordings_slug").on(t.organisationId, t.slug),
    index("recordings_occurrence").on(t.occurrenceId),
    index("recordings_state").on(t.state, t.claimedAt),
    index("recordings_without_sound")
      .on(t.uploadedAt)
      .where(sql`sound_of is distinct from coalesce(edited_file, file_name)`),
    index("recordings_without_still")
      .on(t.uploadedAt)
      .where(sql`still_of is distinct from coalesce(edited_file, file_name)`),
    index("recordings_edit_state")
      .on(t.claimedAt)
      .where(sql`edit_state in ('waiting', 'making')`),
  ],
);
