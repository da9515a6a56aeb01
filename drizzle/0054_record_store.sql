CREATE TABLE "record_stores" (
	"organisation_id" uuid PRIMARY KEY NOT NULL,
	"url" text NOT NULL,
	"user_name" text NOT NULL,
	"password_sealed" text NOT NULL
);
--> statement-breakpoint
CREATE TABLE "statement_posts" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"asked_at" timestamp(3) with time zone NOT NULL,
	"due_at" timestamp(3) with time zone,
	"attempts" integer DEFAULT 0 NOT NULL,
	"sent" integer DEFAULT 0 NOT NULL,
	"total" integer,
	"answer" text
);
--> statement-breakpoint
ALTER TABLE "statement_posts" ADD CONSTRAINT "statement_posts_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "statement_posts_due" ON "statement_posts" USING btree ("due_at");