CREATE TABLE "busy_calendars" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"name" text NOT NULL,
	"body" jsonb NOT NULL,
	"read_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "date_changes" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"actor_id" text NOT NULL,
	"before" jsonb NOT NULL,
	"undone_at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "licences" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"size" integer NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "parts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"title" text NOT NULL,
	"start_local" text NOT NULL,
	"length_minutes" integer NOT NULL,
	"leader_ticket_id" uuid
);
--> statement-breakpoint
CREATE TABLE "seat_requests" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"requested_by" uuid NOT NULL,
	"wanted_size" integer NOT NULL,
	"note" text DEFAULT '' NOT NULL,
	"state" text DEFAULT 'open' NOT NULL,
	"answer" text,
	"decided_by" text,
	"decided_at" timestamp(3) with time zone,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "series" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"uid" text NOT NULL,
	"rule" jsonb NOT NULL,
	"start_local" text NOT NULL,
	"zone" text NOT NULL,
	"duration_minutes" integer NOT NULL,
	"exdates" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"rdates" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "templates" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"name" text NOT NULL,
	"body" jsonb NOT NULL,
	"updated_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
DROP INDEX "occurrences_original";--> statement-breakpoint
ALTER TABLE "connections" ADD COLUMN "level" integer;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "shape" text DEFAULT 'one-date' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "room_code" text;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "entry_by" text DEFAULT 'registration' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "approval" text DEFAULT 'at-once' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "foyer_on" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "stage_microphones_open" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "sound_by" text DEFAULT 'computer' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "is_recorded" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "consent_text" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "interpretation_into" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "picture" text DEFAULT 'cards' NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "conference_number" text;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "kind" text DEFAULT 'show' NOT NULL;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "series_id" uuid;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "licence_id" uuid;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "has_planned_end" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "registered_count" integer;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "came_count" integer;--> statement-breakpoint
ALTER TABLE "occurrences" ADD COLUMN "peak_count" integer;--> statement-breakpoint
ALTER TABLE "organisations" ADD COLUMN "rules" jsonb DEFAULT '{}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "languages" jsonb;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "reply" text;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "replied_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "tech_checked_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "date_changes" ADD CONSTRAINT "date_changes_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "parts" ADD CONSTRAINT "parts_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "seat_requests" ADD CONSTRAINT "seat_requests_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "series" ADD CONSTRAINT "series_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "busy_calendars_person" ON "busy_calendars" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "date_changes_event" ON "date_changes" USING btree ("event_id","at");--> statement-breakpoint
CREATE INDEX "licences_organisation" ON "licences" USING btree ("organisation_id","size");--> statement-breakpoint
CREATE INDEX "parts_occurrence" ON "parts" USING btree ("occurrence_id","position");--> statement-breakpoint
CREATE INDEX "seat_requests_organisation" ON "seat_requests" USING btree ("organisation_id","state","created_at");--> statement-breakpoint
CREATE INDEX "series_event" ON "series" USING btree ("event_id");--> statement-breakpoint
CREATE UNIQUE INDEX "templates_name" ON "templates" USING btree ("organisation_id","name");--> statement-breakpoint
ALTER TABLE "occurrences" ADD CONSTRAINT "occurrences_series_id_series_id_fk" FOREIGN KEY ("series_id") REFERENCES "public"."series"("id") ON DELETE set null ON UPDATE no action;--> statement-breakpoint
CREATE UNIQUE INDEX "events_room_code" ON "events" USING btree ("organisation_id","room_code");--> statement-breakpoint
CREATE UNIQUE INDEX "events_conference_number" ON "events" USING btree ("conference_number");--> statement-breakpoint
CREATE INDEX "occurrences_series" ON "occurrences" USING btree ("series_id");--> statement-breakpoint
CREATE INDEX "occurrences_event" ON "occurrences" USING btree ("event_id","start_at");--> statement-breakpoint
CREATE UNIQUE INDEX "occurrences_original" ON "occurrences" USING btree ("event_id","kind","original_start_local");