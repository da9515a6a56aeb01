ALTER TABLE "recordings" ADD COLUMN "state" text DEFAULT 'ready' NOT NULL;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "spans" jsonb;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "from_piece" integer;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "to_piece" integer;--> statement-breakpoint
ALTER TABLE "recordings" ADD COLUMN "claimed_at" timestamp(3) with time zone;--> statement-breakpoint
CREATE INDEX "recordings_state" ON "recordings" USING btree ("state","claimed_at");