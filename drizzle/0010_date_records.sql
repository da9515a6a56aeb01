-- Counts that were issued outlive their event (rule 5): figures alone, no people.
CREATE TABLE "date_records" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL REFERENCES "organisations"("id"),
	"title" text NOT NULL,
	"start_at" timestamp with time zone NOT NULL,
	"zone" text NOT NULL,
	"registered_count" integer NOT NULL,
	"came_count" integer NOT NULL,
	"peak_count" integer NOT NULL
);
--> statement-breakpoint
CREATE INDEX "date_records_organisation" ON "date_records" USING btree ("organisation_id","start_at");
