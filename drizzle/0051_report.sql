CREATE TABLE "corrections" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"person_key" text NOT NULL,
	"into_key" text,
	"entry_key" text,
	"in_at" timestamp(3) with time zone,
	"out_at" timestamp(3) with time zone,
	"reason" text DEFAULT '' NOT NULL,
	"actor_id" text NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"undone_at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "credits" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"person_key" text NOT NULL,
	"person_id" uuid,
	"ticket_id" uuid,
	"number" text NOT NULL,
	"name" text NOT NULL,
	"points" numeric(6, 2) NOT NULL,
	"out_of" numeric(6, 2) NOT NULL,
	"minutes_present" real NOT NULL,
	"issued_at" timestamp(3) with time zone NOT NULL,
	"withdrawn_at" timestamp(3) with time zone,
	"trail" jsonb DEFAULT '[]'::jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "date_figures" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"start_at" timestamp(3) with time zone NOT NULL,
	"registered" integer NOT NULL,
	"came" integer NOT NULL,
	"registered_came" integer NOT NULL,
	"stayed" integer NOT NULL,
	"took_part" integer NOT NULL,
	"peak" integer NOT NULL,
	"peak_at" timestamp(3) with time zone,
	"present_minutes" real NOT NULL,
	"show_minutes" real NOT NULL,
	"median_stay_minutes" real NOT NULL,
	"returning" integer NOT NULL,
	"questions" integer NOT NULL,
	"watched_seconds" real NOT NULL,
	"viewers" integer NOT NULL,
	"mails_sent" integer NOT NULL,
	"mails_failed" integer NOT NULL,
	"registered_by_lead" jsonb NOT NULL,
	"came_by_lead" jsonb NOT NULL,
	"counted_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "server_away" (
	"from_at" timestamp(3) with time zone PRIMARY KEY NOT NULL,
	"to_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "server_signs" (
	"name" text PRIMARY KEY NOT NULL,
	"last_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "summary_links" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"with_names" boolean NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL,
	"expires_at" timestamp(3) with time zone NOT NULL,
	"revoked_at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "survey_answers" (
	"id" uuid PRIMARY KEY DEFAULT gen_random_uuid() NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"ticket_id" uuid,
	"edit_print" text,
	"answers" jsonb NOT NULL,
	"at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "survey_replies" (
	"occurrence_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	CONSTRAINT "survey_replies_occurrence_id_ticket_id_pk" PRIMARY KEY("occurrence_id","ticket_id")
);
--> statement-breakpoint
CREATE TABLE "surveys" (
	"event_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"questions" jsonb NOT NULL,
	"is_anonymous" boolean NOT NULL,
	"is_sample" boolean DEFAULT false NOT NULL,
	"is_on" boolean DEFAULT true NOT NULL,
	"version" integer DEFAULT 1 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "visit_keys" (
	"day" text PRIMARY KEY NOT NULL,
	"key" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "visits" (
	"event_id" uuid NOT NULL,
	"day" text NOT NULL,
	"visitor" text NOT NULL,
	"organisation_id" uuid NOT NULL,
	"via" text NOT NULL,
	CONSTRAINT "visits_event_id_day_visitor_pk" PRIMARY KEY("event_id","day","visitor")
);
--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "credit_is_partial" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "corrections" ADD CONSTRAINT "corrections_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "credits" ADD CONSTRAINT "credits_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "date_figures" ADD CONSTRAINT "date_figures_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "summary_links" ADD CONSTRAINT "summary_links_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "survey_answers" ADD CONSTRAINT "survey_answers_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "survey_replies" ADD CONSTRAINT "survey_replies_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "surveys" ADD CONSTRAINT "surveys_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "visits" ADD CONSTRAINT "visits_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "corrections_date" ON "corrections" USING btree ("occurrence_id","at");--> statement-breakpoint
CREATE UNIQUE INDEX "credits_number" ON "credits" USING btree ("number");--> statement-breakpoint
CREATE UNIQUE INDEX "credits_once" ON "credits" USING btree ("occurrence_id","person_key");--> statement-breakpoint
CREATE INDEX "credits_ticket" ON "credits" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "credits_person" ON "credits" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "date_figures_year" ON "date_figures" USING btree ("organisation_id","start_at");--> statement-breakpoint
CREATE INDEX "server_away_to" ON "server_away" USING btree ("to_at");--> statement-breakpoint
CREATE INDEX "summary_links_date" ON "summary_links" USING btree ("occurrence_id");--> statement-breakpoint
CREATE INDEX "survey_answers_date" ON "survey_answers" USING btree ("occurrence_id","id");--> statement-breakpoint
CREATE UNIQUE INDEX "survey_answers_ticket" ON "survey_answers" USING btree ("occurrence_id","ticket_id") WHERE ticket_id is not null;