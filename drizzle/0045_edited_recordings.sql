ALTER TABLE "recordings" ADD COLUMN "edit" jsonb;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "edit_state" text DEFAULT 'none' NOT NULL;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "edited_file" text;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "edited_bytes" bigint;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "kept" jsonb;--> statement-breakpoint
CREATE INDEX "recordings_edit_state" ON "recordings" USING btree ("claimed_at") WHERE edit_state in ('waiting', 'making');