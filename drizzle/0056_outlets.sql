CREATE TABLE "outlets" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"event_id" uuid NOT NULL,
	"name" text NOT NULL,
	"address" text NOT NULL,
	"key_sealed" text NOT NULL,
	"is_on" boolean DEFAULT true NOT NULL,
	"created_at" timestamp(3) with time zone NOT NULL,
	"holder_id" text,
	"renewed_at" timestamp(3) with time zone,
	"state" text DEFAULT 'waits' NOT NULL,
	"state_at" timestamp(3) with time zone,
	"failures" integer DEFAULT 0 NOT NULL,
	"next_try_at" timestamp(3) with time zone
);
--> statement-breakpoint
ALTER TABLE "outlets" ADD CONSTRAINT "outlets_event_id_events_id_fk" FOREIGN KEY ("event_id") REFERENCES "public"."events"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "outlets_event" ON "outlets" USING btree ("event_id","created_at");