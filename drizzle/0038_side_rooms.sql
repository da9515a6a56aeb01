CREATE TABLE "side_room_sheets" (
	"occurrence_id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"names" jsonb DEFAULT '[]'::jsonb NOT NULL,
	"message" text DEFAULT '' NOT NULL
);
--> statement-breakpoint
ALTER TABLE "side_room_sheets" ADD CONSTRAINT "side_room_sheets_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;