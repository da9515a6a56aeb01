CREATE EXTENSION IF NOT EXISTS pg_trgm;--> statement-breakpoint
CREATE TABLE "board_posts" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"board_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"text" text NOT NULL,
	"posted_at" timestamp(3) with time zone NOT NULL,
	"hook_due_at" timestamp(3) with time zone,
	"hook_attempts" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "boards" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"name" text NOT NULL,
	"slug" text NOT NULL,
	"hook_url" text,
	"hook_secret_sealed" text,
	"last_hook" text,
	"created_at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "boards_slug" UNIQUE("organisation_id","slug")
);
--> statement-breakpoint
CREATE TABLE "contact_groups" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"name" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event_files" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"name" text NOT NULL,
	"media_type" text NOT NULL,
	"size_bytes" integer NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "event_pictures" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"width" integer NOT NULL,
	"height" integer NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "group_members" (
	"group_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	CONSTRAINT "group_members_group_id_person_id_pk" PRIMARY KEY("group_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "slot_plans" (
	"event_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"for_event_id" uuid,
	"start_local" text NOT NULL,
	"until_clock" text NOT NULL,
	"zone" text NOT NULL,
	"length_minutes" integer NOT NULL,
	"pause_minutes" integer NOT NULL,
	"capacity" integer NOT NULL,
	"rule" jsonb
);
--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "look" jsonb DEFAULT '{"colour":"#0E5A5A","bannerId":null,"logoId":null}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "agenda_shown" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "approved_domains" jsonb DEFAULT '[]'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "invitees" ADD COLUMN "reply" text;--> statement-breakpoint
ALTER TABLE "invitees" ADD COLUMN "replied_at" timestamp(3) with time zone;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "doc" jsonb;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "audience" jsonb DEFAULT '{"standing":[],"groups":[],"personIds":[],"pasted":"","past":[]}'::jsonb NOT NULL;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "sender_name" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "reply_to" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "after_minutes" integer;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "is_off" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "mailings" ADD COLUMN "version" integer DEFAULT 1 NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "company" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "phone" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "note" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "tags" text[] DEFAULT '{}' NOT NULL;--> statement-breakpoint
ALTER TABLE "people" ADD COLUMN "address_failed_reason" text;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "about_line" text DEFAULT '' NOT NULL;--> statement-breakpoint
ALTER TABLE "tickets" ADD COLUMN "portrait_id" uuid;--> statement-breakpoint
ALTER TABLE "board_posts" ADD CONSTRAINT "board_posts_board_id_boards_id_fk" FOREIGN KEY ("board_id") REFERENCES "public"."boards"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "board_posts" ADD CONSTRAINT "board_posts_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event_files" ADD CONSTRAINT "event_files_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "event_pictures" ADD CONSTRAINT "event_pictures_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "group_members" ADD CONSTRAINT "group_members_group_id_contact_groups_id_fk" FOREIGN KEY ("group_id") REFERENCES "public"."contact_groups"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "group_members" ADD CONSTRAINT "group_members_person_id_people_id_fk" FOREIGN KEY ("person_id") REFERENCES "public"."people"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "slot_plans" ADD CONSTRAINT "slot_plans_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "board_posts_board" ON "board_posts" USING btree ("board_id","posted_at");--> statement-breakpoint
CREATE INDEX "board_posts_due" ON "board_posts" USING btree ("hook_due_at");--> statement-breakpoint
CREATE UNIQUE INDEX "contact_groups_name" ON "contact_groups" USING btree ("organisation_id","name");--> statement-breakpoint
CREATE INDEX "event_files_event" ON "event_files" USING btree ("event_id","created_at");--> statement-breakpoint
CREATE INDEX "event_pictures_event" ON "event_pictures" USING btree ("event_id");--> statement-breakpoint
CREATE INDEX "group_members_person" ON "group_members" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "slot_plans_organisation" ON "slot_plans" USING btree ("organisation_id");--> statement-breakpoint
CREATE INDEX "people_name" ON "people" USING btree ("organisation_id","name");--> statement-breakpoint
CREATE INDEX "people_words" ON "people" USING gin ((coalesce("name", '') || ' ' || coalesce("email", '')) gin_trgm_ops);--> statement-breakpoint
CREATE INDEX "people_tags" ON "people" USING gin ("tags");