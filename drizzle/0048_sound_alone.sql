ALTER TABLE "recordings" ADD COLUMN "sound_file" text;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "sound_bytes" bigint;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "sound_of" text;