CREATE TABLE "holding_pictures" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"message" text NOT NULL
);
--> statement-breakpoint
ALTER TABLE "segments" ADD COLUMN "scene" text;--> statement-breakpoint
ALTER TABLE "holding_pictures" ADD CONSTRAINT "holding_pictures_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;