ALTER TABLE "slot_plans" ADD COLUMN "closed_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "calendar_uid" text;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "calendar_sequence" integer DEFAULT 0 NOT NULL;