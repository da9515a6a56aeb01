CREATE TABLE "call_backs" (
	"id" uuid PRIMARY KEY NOT NULL,
	"organisation_id" uuid NOT NULL,
	"ticket_id" uuid NOT NULL,
	"number" text NOT NULL,
	"asked_at" timestamp(3) with time zone NOT NULL
);
--> statement-breakpoint
ALTER TABLE "call_backs" ADD CONSTRAINT "call_backs_ticket_id_tickets_id_fk" FOREIGN KEY ("ticket_id") REFERENCES "public"."tickets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "call_backs_ticket" ON "call_backs" USING btree ("ticket_id");--> statement-breakpoint
CREATE INDEX "call_backs_number" ON "call_backs" USING btree ("organisation_id","number");--> statement-breakpoint
CREATE INDEX "call_backs_asked" ON "call_backs" USING btree ("asked_at");