CREATE TABLE "entry_proofs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"asked_at" timestamp(3) with time zone NOT NULL,
	"used_at" timestamp(3) with time zone
);
--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "proves_address" boolean DEFAULT false NOT NULL;--> statement-breakpoint
ALTER TABLE "entry_proofs" ADD CONSTRAINT "entry_proofs_ticket_id_tickets_id_fk" FOREIGN KEY ("ticket_id") REFERENCES "public"."tickets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "entry_proofs_ticket" ON "entry_proofs" USING btree ("ticket_id","asked_at");--> statement-breakpoint
CREATE INDEX "messages_date" ON "messages" USING btree ("occurrence_id","state");--> statement-breakpoint
CREATE INDEX "messages_event" ON "messages" USING btree ("event_id","state");