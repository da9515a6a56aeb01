CREATE TABLE "hand_outs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"occurrence_id" uuid NOT NULL,
	"name" text NOT NULL,
	"media_type" text NOT NULL,
	"size_bytes" bigint NOT NULL,
	"is_shown" boolean DEFAULT false NOT NULL,
	"position" integer NOT NULL,
	"taken_count" integer DEFAULT 0 NOT NULL,
	"ticket_id" uuid,
	"created_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "hand_outs" ADD CONSTRAINT "hand_outs_occurrence_id_occurrences_id_fk" FOREIGN KEY ("occurrence_id") REFERENCES "public"."occurrences"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "hand_outs_organisation" ON "hand_outs" USING btree ("organisation_id");--> statement-breakpoint
CREATE INDEX "hand_outs_occurrence" ON "hand_outs" USING btree ("occurrence_id","position");