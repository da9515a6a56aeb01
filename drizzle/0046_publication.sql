ALTER TABLE "recordings" ADD COLUMN "published_until" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "audience" text DEFAULT 'everyone' NOT NULL;