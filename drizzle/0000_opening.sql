CREATE TABLE "account" (
	"id" text PRIMARY KEY NOT NULL,
	"account_id" text NOT NULL,
	"provider_id" text NOT NULL,
	"user_id" text NOT NULL,
	"access_token" text,
	"refresh_token" text,
	"id_token" text,
	"access_token_expires_at" timestamp with time zone,
	"refresh_token_expires_at" timestamp with time zone,
	"scope" text,
	"password" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
CREATE TABLE "admissions" (
	"occurrence_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"admitted_at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "admissions_occurrence_id_ticket_id_pk" PRIMARY KEY("occurrence_id","ticket_id")
);
--> statement-breakpoint
CREATE TABLE "audit_log" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"actor_id" text NOT NULL,
	"action" text NOT NULL,
	"event_id" uuid,
	"occurrence_id" uuid,
	"facts" jsonb DEFAULT '{}'::jsonb NOT NULL
);
--> statement-breakpoint
CREATE TABLE "ballots" (
	"poll_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"option_id" text NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "ballots_poll_id_ticket_id_pk" PRIMARY KEY("poll_id","ticket_id")
);
--> statement-breakpoint
CREATE TABLE "connections" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"ticket_id" uuid,
	"person_id" uuid,
	"chain_id" text NOT NULL,
	"role" text NOT NULL,
	"device" text NOT NULL,
	"in_at" timestamp(3) with time zone NOT NULL,
	"last_sign_at" timestamp(3) with time zone NOT NULL,
	"out_at" timestamp(3) with time zone,
	"house_from_at" timestamp(3) with time zone,
	"import_key" text
);
--> statement-breakpoint
CREATE TABLE "consents" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"ticket_id" uuid,
	"kind" text NOT NULL,
	"wording" text NOT NULL,
	"given_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "events" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"slug" text NOT NULL,
	"uid" text NOT NULL,
	"title" text NOT NULL,
	"description_html" text DEFAULT '' NOT NULL,
	"is_private" boolean DEFAULT false NOT NULL,
	"access_code_sealed" text,
	"house_size" integer NOT NULL,
	"registration_limit" integer,
	"questions_on" boolean DEFAULT true NOT NULL,
	"polls_on" boolean DEFAULT true NOT NULL,
	"others_questions_shown" boolean DEFAULT true NOT NULL,
	"early_entry" boolean DEFAULT true NOT NULL,
	"form_fields" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"reminder_offsets_minutes" jsonb DEFAULT '[1440,20]'::jsonb NOT NULL,
	"credit_points" integer,
	"credit_threshold_percent" integer DEFAULT 75 NOT NULL,
	"published_at" timestamp(3) with time zone,
	"deleted_at" timestamp(3) with time zone,
	"version" integer DEFAULT 1 NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "invitees" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"person_id" uuid NOT NULL,
	"invited_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "journal" (
	"occurrence_id" uuid NOT NULL,
	"seq" integer NOT NULL,
	"organisation_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"actor_id" text NOT NULL,
	"command_id" uuid,
	"body" jsonb NOT NULL,
	CONSTRAINT "journal_occurrence_id_seq_pk" PRIMARY KEY("occurrence_id","seq")
);
--> statement-breakpoint
CREATE TABLE "mailings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"offset_minutes" integer,
	"subject" text NOT NULL,
	"body" text NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "members" (
	"organisation_id" uuid NOT NULL,
	"user_id" text NOT NULL,
	"person_id" uuid NOT NULL,
	"standing" text NOT NULL,
	CONSTRAINT "members_organisation_id_user_id_pk" PRIMARY KEY("organisation_id","user_id")
);
--> statement-breakpoint
CREATE TABLE "messages" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid,
	"occurrence_id" uuid,
	"mailing_id" uuid,
	"kind" text NOT NULL,
	"person_id" uuid NOT NULL,
	"ticket_id" uuid,
	"planned_due_at" timestamp(3) with time zone NOT NULL,
	"due_at" timestamp(3) with time zone NOT NULL,
	"state" text NOT NULL,
	"attempts" integer DEFAULT 0 NOT NULL,
	"message_id" text NOT NULL,
	"rendered" jsonb,
	"note" text,
	"sent_at" timestamp(3) with time zone,
	"created_at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "messages_once" UNIQUE NULLS NOT DISTINCT("kind","mailing_id","occurrence_id","person_id","planned_due_at")
);
--> statement-breakpoint
CREATE TABLE "occurrences" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"original_start_local" text NOT NULL,
	"start_local" text NOT NULL,
	"zone" text NOT NULL,
	"duration_minutes" integer NOT NULL,
	"call_minutes" integer DEFAULT 20 NOT NULL,
	"start_at" timestamp(3) with time zone NOT NULL,
	"end_at" timestamp(3) with time zone NOT NULL,
	"phase" text DEFAULT 'scheduled' NOT NULL,
	"doors_opened_at" timestamp(3) with time zone,
	"show_started_at" timestamp(3) with time zone,
	"ended_at" timestamp(3) with time zone,
	"sequence" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "organisations" (
	"id" uuid PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"host" text,
	"about" text DEFAULT '' NOT NULL,
	"zone" text NOT NULL,
	"sender_name" text NOT NULL,
	"sender_email" text NOT NULL,
	"retention_days" integer DEFAULT 730 NOT NULL,
	CONSTRAINT "organisations_host_unique" UNIQUE("host")
);
--> statement-breakpoint
CREATE TABLE "people" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"name" text,
	"email" text,
	"locale" text DEFAULT 'en' NOT NULL,
	"zone" text,
	"unsubscribed_at" timestamp(3) with time zone,
	"address_failed_at" timestamp(3) with time zone,
	"erased_at" timestamp(3) with time zone,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
CREATE TABLE "polls" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"kind" text DEFAULT 'one-choice' NOT NULL,
	"question" text NOT NULL,
	"options" jsonb NOT NULL,
	"state" text DEFAULT 'prepared' NOT NULL,
	"is_revealed" boolean DEFAULT false NOT NULL,
	"opened_at" timestamp(3) with time zone,
	"closed_at" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "question_votes" (
	"question_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "question_votes_question_id_ticket_id_pk" PRIMARY KEY("question_id","ticket_id")
);
--> statement-breakpoint
CREATE TABLE "questions" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"asker_ticket_id" uuid NOT NULL,
	"segment_id" uuid,
	"text" text NOT NULL,
	"asked_at" timestamp(3) with time zone NOT NULL,
	"state" text DEFAULT 'new' NOT NULL,
	"answer" text,
	"answered_by" text,
	"answered_at" timestamp(3) with time zone,
	"answered" text
);
--> statement-breakpoint
CREATE TABLE "recordings" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"slug" text NOT NULL,
	"title" text NOT NULL,
	"file_name" text NOT NULL,
	"media_type" text NOT NULL,
	"size_bytes" bigint NOT NULL,
	"duration_seconds" integer,
	"uploaded_at" timestamp(3) with time zone NOT NULL,
	"published_from" timestamp(3) with time zone
);
--> statement-breakpoint
CREATE TABLE "rooms" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"seq" integer DEFAULT 0 NOT NULL
);
--> statement-breakpoint
CREATE TABLE "seeded" (
	"name" text PRIMARY KEY NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	"is_complete" boolean NOT NULL
);
--> statement-breakpoint
CREATE TABLE "segments" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"position" integer NOT NULL,
	"title" text NOT NULL,
	"length_minutes" integer NOT NULL,
	"fixed_start_local" text,
	"leader_ticket_id" uuid,
	"poll_id" uuid
);
--> statement-breakpoint
CREATE TABLE "session" (
	"id" text PRIMARY KEY NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"token" text NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	"ip_address" text,
	"user_agent" text,
	"user_id" text NOT NULL,
	CONSTRAINT "session_token_unique" UNIQUE("token")
);
--> statement-breakpoint
CREATE TABLE "tickets" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"occurrence_id" uuid,
	"person_id" uuid NOT NULL,
	"role" text NOT NULL,
	"duties" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"status" text DEFAULT 'registered' NOT NULL,
	"link_version" integer DEFAULT 1 NOT NULL,
	"revoked_at" timestamp(3) with time zone,
	"answers" jsonb DEFAULT '{}'::jsonb NOT NULL,
	"source" text,
	"registered_at" timestamp(3) with time zone NOT NULL,
	"waiting_since" timestamp(3) with time zone,
	"invited_at" timestamp(3) with time zone,
	CONSTRAINT "tickets_person" UNIQUE NULLS NOT DISTINCT("event_id","occurrence_id","person_id")
);
--> statement-breakpoint
CREATE TABLE "tries" (
	"key" text NOT NULL,
	"window_start" timestamp(3) with time zone NOT NULL,
	"count" integer NOT NULL,
	CONSTRAINT "tries_key_window_start_pk" PRIMARY KEY("key","window_start")
);
--> statement-breakpoint
CREATE TABLE "user" (
	"id" text PRIMARY KEY NOT NULL,
	"name" text NOT NULL,
	"email" text NOT NULL,
	"email_verified" boolean DEFAULT false NOT NULL,
	"image" text,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL,
	CONSTRAINT "user_email_unique" UNIQUE("email")
);
--> statement-breakpoint
CREATE TABLE "verification" (
	"id" text PRIMARY KEY NOT NULL,
	"identifier" text NOT NULL,
	"value" text NOT NULL,
	"expires_at" timestamp with time zone NOT NULL,
	"created_at" timestamp with time zone DEFAULT now() NOT NULL,
	"updated_at" timestamp with time zone DEFAULT now() NOT NULL
);
--> statement-breakpoint
ALTER TABLE "account" ADD CONSTRAINT "account_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "admissions" ADD CONSTRAINT "admissions_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "ballots" ADD CONSTRAINT "ballots_poll_id_polls_id_fk" FOREIGN KEY ("poll_id") REFERENCES "public"."polls"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "connections" ADD CONSTRAINT "connections_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "invitees" ADD CONSTRAINT "invitees_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "journal" ADD CONSTRAINT "journal_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "mailings" ADD CONSTRAINT "mailings_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "messages" ADD CONSTRAINT "messages_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "occurrences" ADD CONSTRAINT "occurrences_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "polls" ADD CONSTRAINT "polls_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "question_votes" ADD CONSTRAINT "question_votes_question_id_questions_id_fk" FOREIGN KEY ("question_id") REFERENCES "public"."questions"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "questions" ADD CONSTRAINT "questions_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "recordings" ADD CONSTRAINT "recordings_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "rooms" ADD CONSTRAINT "rooms_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "segments" ADD CONSTRAINT "segments_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "session" ADD CONSTRAINT "session_user_id_user_id_fk" FOREIGN KEY ("user_id") REFERENCES "public"."user"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tickets" ADD CONSTRAINT "tickets_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "tickets" ADD CONSTRAINT "tickets_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "account_user" ON "account" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "audit_at" ON "audit_log" USING btree ("organisation_id","at");--> statement-breakpoint
CREATE INDEX "ballots_ticket" ON "ballots" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "connections_occurrence" ON "connections" USING btree ("occurrence_id","out_at");--> statement-breakpoint
CREATE INDEX "connections_ticket" ON "connections" USING btree ("ticket_id");--> statement-breakpoint
CREATE UNIQUE INDEX "connections_import" ON "connections" USING btree ("occurrence_id","import_key");--> statement-breakpoint
CREATE INDEX "consents_person" ON "consents" USING btree ("person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "events_slug" ON "events" USING btree ("organisation_id","slug");--> statement-breakpoint
CREATE INDEX "events_deleted" ON "events" USING btree ("deleted_at");--> statement-breakpoint
CREATE UNIQUE INDEX "invitees_person" ON "invitees" USING btree ("event_id","person_id");--> statement-breakpoint
CREATE UNIQUE INDEX "journal_command" ON "journal" USING btree ("occurrence_id","command_id");--> statement-breakpoint
CREATE INDEX "mailings_event" ON "mailings" USING btree ("event_id","kind");--> statement-breakpoint
CREATE INDEX "messages_due" ON "messages" USING btree ("state","due_at");--> statement-breakpoint
CREATE INDEX "messages_outbox" ON "messages" USING btree ("organisation_id","created_at");--> statement-breakpoint
CREATE INDEX "messages_ticket" ON "messages" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "occurrences_start" ON "occurrences" USING btree ("organisation_id","start_at");--> statement-breakpoint
CREATE INDEX "occurrences_phase" ON "occurrences" USING btree ("phase","end_at");--> statement-breakpoint
CREATE UNIQUE INDEX "occurrences_original" ON "occurrences" USING btree ("event_id","original_start_local");--> statement-breakpoint
CREATE UNIQUE INDEX "people_email" ON "people" USING btree ("organisation_id","email");--> statement-breakpoint
CREATE INDEX "polls_occurrence" ON "polls" USING btree ("occurrence_id","position");--> statement-breakpoint
CREATE INDEX "question_votes_ticket" ON "question_votes" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "questions_occurrence" ON "questions" USING btree ("occurrence_id","asked_at");--> statement-breakpoint
CREATE UNIQUE INDEX "recordings_slug" ON "recordings" USING btree ("organisation_id","slug");--> statement-breakpoint
CREATE INDEX "recordings_occurrence" ON "recordings" USING btree ("occurrence_id");--> statement-breakpoint
CREATE INDEX "segments_occurrence" ON "segments" USING btree ("occurrence_id","position");--> statement-breakpoint
CREATE INDEX "session_user" ON "session" USING btree ("user_id");--> statement-breakpoint
CREATE INDEX "tickets_occurrence" ON "tickets" USING btree ("occurrence_id","status","waiting_since");--> statement-breakpoint
CREATE INDEX "tickets_of_person" ON "tickets" USING btree ("person_id");--> statement-breakpoint
CREATE INDEX "tries_window" ON "tries" USING btree ("window_start");