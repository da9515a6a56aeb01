ALTER TABLE "recordings" ADD COLUMN "still_id" uuid;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "still_of" text;--> statement-breakpoint
CREATE INDEX "recordings_without_still" ON "recordings" USING btree ("uploaded_at") WHERE still_of is distinct from coalesce(edited_file, file_name);