CREATE TABLE "signals" (
	"room_id" uuid NOT NULL,
	"organisation_id" uuid NOT NULL,
	"kind" text NOT NULL,
	"ticket_id" uuid NOT NULL,
	"at" timestamp(3) with time zone NOT NULL,
	CONSTRAINT "signals_room_id_ticket_id_kind_at_pk" PRIMARY KEY("room_id","ticket_id","kind","at")
);
--> statement-breakpoint
ALTER TABLE "events" ADD COLUMN "signals_on" boolean DEFAULT true NOT NULL;--> statement-breakpoint
ALTER TABLE "signals" ADD CONSTRAINT "signals_room_id_rooms_id_fk" FOREIGN KEY ("room_id") REFERENCES "public"."rooms"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
ALTER TABLE "signals" ADD CONSTRAINT "signals_ticket_id_tickets_id_fk" FOREIGN KEY ("ticket_id") REFERENCES "public"."tickets"("id") ON DELETE cascade ON UPDATE no action;--> statement-breakpoint
CREATE INDEX "signals_room" ON "signals" USING btree ("room_id","at");