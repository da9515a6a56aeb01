ALTER TABLE "questions" ADD COLUMN "recording_seconds" integer;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "deleted_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "picture_id" uuid;