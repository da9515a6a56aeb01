CREATE TABLE "deck_pages" (
	"id" uuid PRIMARY KEY NOT NULL,
	"deck_id" uuid NOT NULL,
	"number" integer NOT NULL,
	"is_ready" boolean NOT NULL,
	"notes_id" uuid
);
--> statement-breakpoint
CREATE TABLE "decks" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"title" text NOT NULL,
	"language" text NOT NULL,
	"version_of_id" uuid,
	"is_hand_out" boolean DEFAULT false NOT NULL,
	"state" text DEFAULT 'waiting' NOT NULL,
	"failure" text,
	"page_count" integer DEFAULT 0 NOT NULL,
	"size_bytes" bigint NOT NULL,
	"ticket_id" uuid,
	"created_at" timestamp(3) with time zone NOT NULL,
	"claimed_at" timestamp(3) with time zone
);
--> statement-breakpoint
ALTER TABLE "segments" ADD COLUMN "deck_id" uuid;--> statement-breakpoint
ALTER TABLE "segments" ADD COLUMN "deck_page" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "deck_pages" ADD CONSTRAINT "deck_pages_deck_id_decks_id_fk" FOREIGN KEY ("deck_id") REFERENCES "public"."decks"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "decks" ADD CONSTRAINT "decks_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "deck_pages_number" ON "deck_pages" USING btree ("deck_id","number");--> statement-breakpoint
CREATE INDEX "decks_organisation" ON "decks" USING btree ("organisation_id");--> statement-breakpoint
CREATE INDEX "decks_occurrence" ON "decks" USING btree ("occurrence_id","created_at");--> statement-breakpoint
CREATE INDEX "decks_state" ON "decks" USING btree ("state","claimed_at");