CREATE TABLE "crowds" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"size" integer NOT NULL,
	"temper" text NOT NULL,
	"seed" integer NOT NULL,
	"started_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "crowds" ADD CONSTRAINT "crowds_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;