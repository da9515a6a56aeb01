import { bigint, index, integer, pgTable, text, uniqueIndex, uuid } from "drizzle-orm/pg-core";
import { instant, organisationId } from "./columns";
import { occurrences } from "./events";

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
    uploadedAt: instant("uploaded_at").notNull(),
    /** seen by visitors from then on; null: not published */
    publishedFrom: instant("published_from"),
  },
  (t) => [
    uniqueIndex("recordings_slug").on(t.organisationId, t.slug),
    index("recordings_occurrence").on(t.occurrenceId),
  ],
);
