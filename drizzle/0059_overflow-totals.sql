CREATE TABLE "overflow_totals" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"screens" integer NOT NULL,
	"most_at_once" integer NOT NULL
);
--> statement-breakpoint
ALTER TABLE "overflow_totals" ADD CONSTRAINT "overflow_totals_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;